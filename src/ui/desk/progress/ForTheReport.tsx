import { editedParagraph, textOf, type PatternValues } from '@/core/progress';
import { valuesOf } from '@/core/goals';
import type { GoalInFull } from '@/server/progress/goalInFull';
import type { ProgressView } from '@/server/progress/viewProgress';
import { longDay } from '../../shared/days';
import { unitWords } from '../goals/goalWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { PrintLink } from '../parts/PrintLink.client';
import { OwnWords } from './OwnWords.client';
import { ReportLengths } from './ReportLengths.client';
import { ReportParts } from './ReportParts';
import { reportLine, reportTable, standingWords, type KnownSentence } from './reportWords';

export interface ReportActs {
  readonly write: WordedAction;
  readonly close: WordedAction;
  readonly reopen: WordedAction;
  readonly savePattern: WordedAction;
  readonly deletePattern: WordedAction;
}

interface Props {
  readonly view: ProgressView;
  readonly here: GoalInFull;
  readonly sentences: readonly KnownSentence[];
  readonly acts: ReportActs;
}

/** The paragraph for the report: built from figures, edited by who signs it, and marked where it was. */
export function ForTheReport({ view: { period, patterns, today }, here, sentences, acts }: Props) {
  const built = sentences.map(({ key, says }) => ({ key, says }));
  const { parts, leftOut, isOvertaken } = editedParagraph(built, here.words);
  const text = textOf(parts);
  const isOwn = parts.some((part) => part.isOwn);
  const hidden = { childId: here.childId, goalId: here.goalId };
  const closedNow = period && here.closed.some(({ from }) => from === period.from);
  return (
    <div>
      <h3 className="text-[15px]">For the report{period && `, ${period.name}`}</h3>
      <ReportLengths
        line={reportLine(here.goal, here.figures, here.child.calledName)}
        text={text}
        paragraph={<ReportParts parts={parts} />}
        rows={reportTable(here.goal, here.figures)}
      />
      {isOwn && <p className="mt-1 text-[13px] text-soft">Text with a line at the side is yours. Everything else updates from the data.</p>}
      {leftOut.length > 0 && (
        <details className="mt-1 text-[13px] text-soft" open={isOvertaken}>
          <summary className="link inline">
            {leftOut.length} built {leftOut.length === 1 ? 'sentence is' : 'sentences are'} rewritten or left out
            {isOvertaken && '. The figures have changed since.'}
          </summary>
          <p className="border-l-4 border-line pl-2">With today’s data: {leftOut.join(' ')}</p>
        </details>
      )}
      <div className="mt-2 flex flex-wrap gap-4 print:hidden">
        <PrintLink />
        <a className="link" href="/progress/file" download>
          Download all goals
        </a>
      </div>
      {period && (
        <div className="mt-3 print:hidden">
          <OwnWords
            // The stored text may have changed on the server: the box starts again then.
            key={text}
            text={text}
            built={built}
            hidden={hidden}
            values={valuesFor(here)}
            patterns={patterns}
            write={acts.write}
            savePattern={acts.savePattern}
            deletePattern={acts.deletePattern}
          />
          {closedNow ? (
            <p className="mt-2 text-soft">{period.name} is closed for this goal.</p>
          ) : (
            <details className="mt-2">
              <summary className="link inline">Close {period.name} for this goal</summary>
              <ActionForm action={acts.close} hidden={{ ...hidden, early: today < period.to ? 'yes' : '' }} className="mt-1">
                <p className="text-[14px]">
                  {today < period.to &&
                    `The period ends on ${longDay(period.to)}. If you close it now, it includes data through today only. `}
                  The report is kept as it is now, even if data are corrected later.
                </p>
                <button className="act mt-1">{today < period.to ? 'Close the period early' : 'Close the period'}</button>
              </ActionForm>
            </details>
          )}
        </div>
      )}
    </div>
  );
}

function valuesFor({ child, goal, figures }: GoalInFull): PatternValues {
  const unit = (value: number | undefined) => (value === undefined ? '…' : unitWords(goal.measure, value));
  return {
    child: child.calledName,
    goal: goal.statement,
    first: unit(figures.ownPoints[0]?.value),
    last: unit(figures.ownPoints.at(-1)?.value),
    asked: unit(valuesOf(goal.measure)?.to),
    review: longDay(goal.reviewOn),
    standing: standingWords(figures).toLowerCase(),
  };
}
