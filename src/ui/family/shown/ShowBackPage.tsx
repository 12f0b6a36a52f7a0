import { calendarDayInZone } from '@/core/calendar';
import type { FamilyTask, FamilyView } from '@/server/reports/viewFamily';
import { dayLocale, longDay } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';

interface Props {
  readonly view: FamilyView;
  readonly found: FamilyTask;
  readonly token: string;
  readonly words: FamilyWords;
  /** Key of the form, so that a repeat makes no second one. */
  readonly newKey: string;
  readonly keptDays: number;
  readonly said: 'sent' | 'takenBack' | null;
  /** False where nobody asks any more: what was sent can still be taken back. */
  readonly mayShow: boolean;
}

/** A family shows how it goes, where its therapist asked: what becomes of it is told first. A plain form. */
export function ShowBackPage({ view, found, token, words, newKey, keptDays, said, mayShow }: Props) {
  const { t, local, language } = words;
  const { task, sentBack } = found;
  const name = view.child.calledName;
  const dayOf = (day: Parameters<typeof longDay>[0]) => longDay(day, dayLocale(language));
  const reader = view.reader?.name ?? t('showBack.aTherapist');
  return (
    <main className="mx-auto max-w-[30rem] px-[1.06rem] pt-4 pb-10">
      <a href={`/f/${token}/task/${task.versionTaskId}?lang=${language}`} className="touch underline underline-offset-4">
        {local(task.content.title)}
      </a>
      <h1 className="mt-2 text-[1.59rem] leading-tight">{t('showBack.title')}</h1>
      {said && (
        <p role="status" className="mt-3 rounded-[6px] bg-green-tint px-3 py-2 font-bold">
          {t(`showBack.${said}`)}
        </p>
      )}
      {mayShow && (
        <>
          <p className="mt-2">{t('showBack.why', { reader, name, task: local(task.content.title) })}</p>
          <p className="mt-2">{t('showBack.how')}</p>
          <p className="mt-2">{t('showBack.who', { name, days: keptDays })}</p>
          <form method="post" action={`/f/${token}/send-back`} encType="multipart/form-data" className="mt-4">
            <input type="hidden" name="lang" value={language} />
            <input type="hidden" name="versionTaskId" value={task.versionTaskId} />
            <input type="hidden" name="step" value={task.step} />
            <input type="hidden" name="idempotencyKey" value={newKey} />
            <label className="block">
              <span className="block font-bold">{t('showBack.file')}</span>
              <input type="file" name="file" accept="video/*,image/*" required className="box" />
            </label>
            <label className="choice mt-3">
              <input type="checkbox" name="agreed" value="yes" required />
              {t('showBack.agreed')}
            </label>
            <label className="mt-3 block">
              {t('who')}
              <input name="saidBy" maxLength={40} className="box" autoComplete="off" />
            </label>
            <button className="press press-main mt-4">{t('showBack.send')}</button>
            <p className="mt-2 text-[0.88rem] text-soft">{t('showBack.needsNetwork')}</p>
          </form>
        </>
      )}
      {sentBack.length > 0 && <h2 className="mt-6 text-[1.2rem]">{t('showBack.yours')}</h2>}
      {sentBack.map(({ id, madeAt, expiresOn }) => (
        <form key={id} method="post" action={`/f/${token}/take-back`} className="mt-2">
          <input type="hidden" name="lang" value={language} />
          <input type="hidden" name="versionTaskId" value={task.versionTaskId} />
          <input type="hidden" name="clipId" value={id} />
          <p>{t('showBack.ofDay', { day: dayOf(calendarDayInZone(madeAt, view.child.timeZone)), until: dayOf(expiresOn) })}</p>
          <button className="press">{t('showBack.takeBack')}</button>
        </form>
      ))}
    </main>
  );
}
