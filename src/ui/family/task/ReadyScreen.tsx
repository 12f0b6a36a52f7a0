import { doseAt, minutesOf } from '@/core/dose';
import type { SaidToday } from '@/server/reports/viewFamily';
import type { FamilyWords } from '../../shared/familyWords';
import { Needed, WatchOut } from '../../task/TaskInstructions';
import { targetWords } from '../../task/targetWords';
import { Onward } from '../frame/Onward';
import { instructions, type PartProps, type SaidProps } from './taskProps';

/** Why it was not done, a tap each. */
const NOT_DONE_REASONS = ['time', 'ill', 'refused', 'missing', 'tooHard', 'other'] as const;

/** Lists things to have at hand and to watch out for; or says why it is not done today. */
export function ReadyScreen(props: PartProps & SaidProps) {
  const { token, words, said } = props;
  const { t, language } = words;
  return (
    <section id="ready" className={`screen ${said ? '' : 'first'}`} aria-labelledby="ready-title">
      <h2 id="ready-title" data-heading="" tabIndex={-1} className="mt-4 text-[1.2rem]">
        {t('flow.ready')}
      </h2>
      <ReadyPart {...props} />
      <p className="mt-2">
        <a className="touch underline underline-offset-4" href={`/f/${token}/home?lang=${language}`}>
          {t('flow.lacking')}
        </a>
      </p>
      <details className="mt-2.5">
        <summary className="press">{t('sayNotDone')}</summary>
        <p className="mt-2 font-bold">{t('whyNotDone')}</p>
        <div className="pairs mt-1 gap-2">
          {NOT_DONE_REASONS.map((reason) => (
            <button key={reason} className="press" name="notDone" value={reason}>
              {t(`stops.${reason}`)}
            </button>
          ))}
        </div>
      </details>
      <Onward to="look" words={words}>
        {t('flow.toLook')}
      </Onward>
    </section>
  );
}

/** Parts that depend on the step. */
export function ReadyPart(props: PartProps) {
  const { found, words, step } = props;
  const { t } = words;
  const dose = doseAt(found.task.dose, step);
  const about = instructions(props);
  return (
    <div data-part="ready">
      <p className="mt-1 text-[1.1rem] font-bold">
        {targetWords(dose, words)} · {t('minutesAbout', { minutes: Math.max(1, Math.round(minutesOf(dose))) })}
      </p>
      <Needed {...about} />
      {found.task.content.ladder.steps[step - 1]?.sheet && (
        <p className="mt-2">
          <a
            // In a window of its own: whoever has no network comes back to the page as it was.
            target="_blank"
            rel="noopener"
            className="touch underline underline-offset-4"
            href={`/f/${props.token}/sheet/${found.task.versionTaskId}?step=${step}&lang=${words.language}`}
          >
            {t('sheet.print')}
          </a>
        </p>
      )}
      <WatchOut {...about} />
    </div>
  );
}

/** Somebody has told of it today, perhaps on another phone: this changes that word, unless it was done once more. */
export function ToldAlready({ said, words, again }: { said: SaidToday; words: FamilyWords; again: string }) {
  const { t } = words;
  const amount = said.amount === null ? t('notCounted') : String(said.amount);
  return (
    <p className="watch mt-4">
      {said.saidBy ? t('toldBy', { amount, who: said.saidBy }) : t('toldAlready', { amount })}{' '}
      <a className="underline underline-offset-4" href={again}>
        {t('tellAgain')}
      </a>
    </p>
  );
}
