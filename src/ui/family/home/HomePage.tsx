import { MILLISECONDS_PER_DAY } from '@/core/calendar';
import { FAMILY_WAYS } from '@/core/students';
import { LANGUAGES } from '@/core/text';
import type { HomeView } from '@/server/students/homeInventory';
import type { FamilyWords } from '../../shared/familyWords';

interface Props {
  readonly view: HomeView;
  readonly token: string;
  readonly words: FamilyWords;
  /** Right after it was told. */
  readonly isTold: boolean;
}

const MINUTES = [5, 10, 15, 20, 30];
/** 2024-01-01 was a Monday. */
const MONDAY = Date.UTC(2024, 0, 1);

/** Asks what is at home: a plain form, filled with what is known already. */
export function HomePage({ view, token, words, isTold }: Props) {
  const { t, local, language } = words;
  const known = view.told?.answers ?? view.child;
  const weekday = new Intl.DateTimeFormat(language, { weekday: 'long', timeZone: 'UTC' });
  const languageNames = new Intl.DisplayNames(language, { type: 'language' });
  const others = known.homeLanguages.filter((code) => !LANGUAGES.some((each) => each === code));
  if (isTold) {
    return (
      <main className="mx-auto max-w-[30rem] px-[1.06rem] pt-6 pb-10">
        <h1 className="text-[1.59rem] leading-tight">{t('home.thanks')}</h1>
        <p className="mt-2">{t('home.thanksMore')}</p>
        <p className="mt-4">
          <a href={`/f/${token}/home?lang=${language}`} className="underline underline-offset-4">
            {t('change')}
          </a>
        </p>
      </main>
    );
  }
  return (
    <main className="mx-auto max-w-[30rem] px-[1.06rem] pt-4 pb-10">
      <h1 className="text-[1.59rem] leading-tight">{t('home.title')}</h1>
      <p className="mt-1 text-soft">{t('home.why')}</p>
      <form method="post" action={`/f/${token}/home/tell`} className="mt-4 space-y-6">
        <input type="hidden" name="lang" value={language} />
        <fieldset>
          <legend className="text-[1.12rem] font-bold">{t('home.things')}</legend>
          {view.things.map((thing) => (
            <label key={thing.id} className="choice mt-1 flex min-h-11 items-center gap-3">
              <input type="checkbox" name="thing" value={thing.id} defaultChecked={known.materialsAtHome.includes(thing.id)} />{' '}
              {local(thing.name)}
            </label>
          ))}
          <label className="choice mt-1 flex min-h-11 items-center gap-3">
            <input type="checkbox" name="printer" value="yes" defaultChecked={known.hasPrinter} /> {t('home.printer')}
          </label>
        </fieldset>
        <fieldset>
          <legend className="text-[1.12rem] font-bold">{t('home.minutes')}</legend>
          <div className="flex flex-wrap gap-2">
            {[...new Set([...MINUTES, known.minutesPerDay])]
              .toSorted((a, b) => a - b)
              .map((minutes) => (
                <label key={minutes} className="choice flex min-h-11 items-center gap-2">
                  <input type="radio" name="minutes" value={minutes} defaultChecked={minutes === known.minutesPerDay} /> {minutes}
                </label>
              ))}
          </div>
        </fieldset>
        <fieldset>
          <legend className="text-[1.12rem] font-bold">{t('home.days')}</legend>
          <div className="flex flex-wrap gap-2">
            {[1, 2, 3, 4, 5, 6, 7].map((day) => (
              <label key={day} className="choice flex min-h-11 items-center gap-2">
                <input type="checkbox" name="day" value={day} defaultChecked={known.practiceWeekdays.includes(day)} />{' '}
                {weekday.format(MONDAY + (day - 1) * MILLISECONDS_PER_DAY)}
              </label>
            ))}
          </div>
        </fieldset>
        <label className="block">
          <span className="text-[1.12rem] font-bold">{t('home.helpers')}</span>
          <input name="helpers" maxLength={120} defaultValue={known.helpers} className="box mt-1" />
        </label>
        <fieldset>
          <legend className="text-[1.12rem] font-bold">{t('home.languages')}</legend>
          <div className="flex flex-wrap gap-2">
            {LANGUAGES.map((code) => (
              <label key={code} className="choice flex min-h-11 items-center gap-2">
                <input type="checkbox" name="speaks" value={code} defaultChecked={known.homeLanguages.includes(code)} />{' '}
                {languageNames.of(code)}
              </label>
            ))}
            {others.map((code) => (
              <label key={code} className="choice flex min-h-11 items-center gap-2">
                <input type="checkbox" name="speaks" value={code} defaultChecked /> {languageNames.of(code)}
              </label>
            ))}
          </div>
        </fieldset>
        <fieldset>
          <legend className="text-[1.12rem] font-bold">{t('home.way')}</legend>
          {FAMILY_WAYS.map((way) => (
            <label key={way} className="choice mt-1 flex min-h-11 items-center gap-3">
              <input type="radio" name="way" value={way} defaultChecked={way === known.reportWay} /> {t(`home.ways.${way}`)}
            </label>
          ))}
        </fieldset>
        <label className="block">
          <span className="text-[1.12rem] font-bold">{t('home.words')}</span>
          <textarea name="words" rows={3} maxLength={400} defaultValue={view.told?.answers.words ?? ''} className="box mt-1" />
        </label>
        <button className="press press-main w-full">{t('home.send')}</button>
      </form>
    </main>
  );
}
