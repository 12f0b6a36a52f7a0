import { instant } from '@/core/calendar';
import { editedParagraph } from '@/core/progress';
import type { ClosedPeriod, GoalInFull } from '@/server/progress/goalInFull';
import { longDay, momentIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { ReportParts } from './ReportParts';
import { reportSentences, standingWords } from './reportWords';

interface Props {
  readonly here: GoalInFull;
  readonly timeZone: string;
  readonly reopen: WordedAction;
}

/** Shows closed periods as they were then, and what would be otherwise by what is known now. */
export function ClosedPeriods({ here, timeZone, reopen }: Props) {
  return here.closed.map((closed) => (
    <details key={closed.id} className="mt-3">
      <summary className="link inline">
        {closed.periodName}, closed {momentIn(instant(closed.closedAt), timeZone)} by {closed.closedBy}: {standingWords(closed.figures)}
      </summary>
      <p className="mt-1 border-l-4 border-line pl-2">
        <ReportParts parts={editedParagraph(reportSentences(closed.goal, closed.figures, here.child.calledName), closed.words).parts} />
      </p>
      <p className="mt-1 text-[14px] text-soft">
        From {longDay(closed.from)} to {longDay(closed.to)}. {changedWords(closed)}
      </p>
      <details className="mt-1 text-[14px] print:hidden">
        <summary className="link inline">Reopen</summary>
        <ActionForm action={reopen} hidden={{ childId: here.childId, goalId: here.goalId, id: closed.id }} className="mt-1">
          <p>The saved copy is deleted. Your own text stays. Anyone with the printed report has the earlier copy.</p>
          <button className="act mt-1">Delete the saved copy and reopen</button>
        </ActionForm>
      </details>
    </details>
  ));
}

function changedWords({ since }: ClosedPeriod): string {
  const { ownAdded, ownGone, ownOther, familyAdded, familyGone, familyOther, standing } = since;
  const parts = [
    [ownAdded, 'of your data points were added later'],
    [ownGone, 'of your data points were withdrawn'],
    [ownOther, 'of your data points were changed'],
    [familyAdded, 'of the family’s reports came later'],
    [familyGone, 'of the family’s reports were removed'],
    [familyOther, 'of the family’s reports were corrected'],
  ] as const;
  const told = parts.filter(([count]) => count > 0).map(([count, says]) => `${count} ${says}`);
  if (told.length === 0) return 'It has not changed since.';
  return `Since then: ${told.join(', ')}.${standing ? ` With today’s data it would be: ${words(`standings.${standing as 'reached'}`)}.` : ''}`;
}
