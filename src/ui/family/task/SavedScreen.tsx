import { ReadsOn } from '../frame/ReadsOn';
import { HurtLink } from '../hurt/HurtSection';
import type { FamilyTaskProps } from './taskProps';

/** Shown by the script alone, in place: without one, the day says that it was saved. */
export function SavedScreen({ view, found, token, words, day }: FamilyTaskProps) {
  const { t, local, language } = words;
  // Reports of another day are not known here: the next activity of the day follows.
  const at = view.tasks.findIndex((each) => each.task.taskId === found.task.taskId);
  const next = day
    ? view.tasks.slice(at + 1).find(({ closed }) => closed === null)
    : view.tasks.find((each) => each.task.taskId !== found.task.taskId && each.reportedToday === null && each.closed === null);
  const ofDay = day ? `&day=${day}` : '';
  return (
    <section id="saved" className="screen only-scripted" aria-labelledby="saved-title">
      <h2 id="saved-title" data-heading="" tabIndex={-1} className="sr-only">
        {t('flow.saved')}
      </h2>
      <div data-said="" role="status" className="mt-3 text-[1.1rem]" />
      <div data-outbox="" />
      <ReadsOn view={view} words={words} />
      <p className="mt-3">
        <a
          className="touch underline underline-offset-4"
          href={`/f/${token}/task/${found.task.versionTaskId}?lang=${language}${ofDay}&change=1#do`}
        >
          {t('change')}
        </a>
      </p>
      {found.task.choices.asksBack && (
        <p className="mt-3">
          <a className="touch underline underline-offset-4" href={`/f/${token}/show-back/${found.task.versionTaskId}?lang=${language}`}>
            {t('showBack.link')}
          </a>
        </p>
      )}
      <p className="onward">
        {next ? (
          <a className="press press-main" href={`/f/${token}/task/${next.task.versionTaskId}?lang=${language}${ofDay}`}>
            {t('flow.next', { task: local(next.task.content.title) })}
          </a>
        ) : (
          <a className="press press-main" href={`/f/${token}?lang=${language}`}>
            {t('flow.dayEnds')}
          </a>
        )}
        <HurtLink words={words} isScripted />
      </p>
    </section>
  );
}
