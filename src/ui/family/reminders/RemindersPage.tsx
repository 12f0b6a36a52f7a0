import type { RemindersView } from '@/server/messages/reminders';
import { dayLocale, wallTime, weekdaysInWords } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';

interface Props {
  readonly view: RemindersView;
  readonly token: string;
  readonly words: FamilyWords;
  readonly isTold: boolean;
}

/** When the family wishes to be reminded, and the days for its own calendar: a plain form. */
export function RemindersPage({ view: { reminders, ways, quiet }, token, words: { t, language }, isTold }: Props) {
  return (
    <main className="mx-auto max-w-[30rem] px-[1.06rem] pt-4 pb-10">
      <a href={`/f/${token}?lang=${language}`} className="touch underline underline-offset-4">
        {t('back')}
      </a>
      <h1 className="mt-2 text-[1.59rem] leading-tight">{t('reminders.title')}</h1>
      <p className="mt-1 text-soft">{t('reminders.why')}</p>
      {isTold && (
        <p role="status" className="mt-3 rounded-[6px] bg-green-tint px-3 py-2 font-bold">
          {t('reminders.saved')}
        </p>
      )}
      <form method="post" action={`/f/${token}/reminders/tell`} className="mt-4">
        <input type="hidden" name="lang" value={language} />
        <fieldset>
          <legend className="mb-1.5 text-[1.06rem] font-bold">{t('reminders.days')}</legend>
          <div className="pairs gap-2">
            {[1, 2, 3, 4, 5, 6, 7].map((day) => (
              <label key={day} className="choice">
                <input type="checkbox" name="day" value={day} defaultChecked={reminders.weekdays.includes(day)} />
                {weekdaysInWords([day], dayLocale(language))}
              </label>
            ))}
          </div>
        </fieldset>
        <label className="mt-4 block">
          {t('reminders.at')}
          <input
            type="time"
            name="at"
            className="box"
            defaultValue={reminders.at}
            required
            {...(quiet && quiet.from > quiet.to && { min: quiet.to, max: minuteBefore(quiet.from) })}
          />
          {quiet && (
            <span className="text-soft">
              {t('reminders.notBetween', { from: wallTime(quiet.from, dayLocale(language)), to: wallTime(quiet.to, dayLocale(language)) })}
            </span>
          )}
        </label>
        <label className="choice mt-3">
          <input type="checkbox" name="afterSilence" value="yes" defaultChecked={reminders.afterSilence} />
          {t('reminders.afterSilence')}
        </label>
        {ways.length > 1 && (
          <fieldset className="mt-4">
            <legend className="mb-1.5 text-[1.06rem] font-bold">{t('reminders.how')}</legend>
            <div className="pairs gap-2">
              {ways.map((way) => (
                <label key={way} className="choice">
                  <input type="radio" name="way" value={way} defaultChecked={way === (reminders.way ?? ways[0])} />
                  {t(`reminders.ways.${way}`)}
                </label>
              ))}
            </div>
          </fieldset>
        )}
        <label className="choice mt-3">
          <input type="checkbox" name="mayName" value="yes" defaultChecked={reminders.mayName} />
          {t('reminders.mayName')}
        </label>
        <button className="press press-main mt-4">{t('reminders.save')}</button>
      </form>
      <p className="mt-6">
        <a className="press" href={`/f/${token}/calendar.ics?lang=${language}`}>
          {t('reminders.calendar')}
        </a>
      </p>
    </main>
  );
}

/** The last minute that a form takes before quiet hours begin. */
function minuteBefore(time: string): string {
  const [hours = 0, minutes = 0] = time.split(':').map(Number);
  const before = (hours * 60 + minutes + 1_439) % 1_440;
  return `${String(Math.floor(before / 60)).padStart(2, '0')}:${String(before % 60).padStart(2, '0')}`;
}
