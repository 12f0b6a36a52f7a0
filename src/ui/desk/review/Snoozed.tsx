import type { ReviewView } from '@/server/review/viewReview';
import { longDay } from '../../shared/days';
import { words } from '../../shared/deskWords';
import type { ActionOf } from './reviewAct';
import { TakeUp } from './TakeUp.client';

/** "2 asleep till Thursday, November 26", or the first day of several. */
export function snoozedInWords({ snoozed }: Pick<ReviewView, 'snoozed'>): string {
  const days = [...new Set(snoozed.map(({ laterUntil }) => laterUntil!))];
  return `${snoozed.length} snoozed ${days.length === 1 ? 'until' : 'the first until'} ${longDay(days[0]!)}`;
}

/** Lists the cards that this person snoozed: each can be seen, and reopened before its day. */
export function Snoozed({ view, undo }: { view: ReviewView; undo: ActionOf }) {
  if (view.snoozed.length === 0) return null;
  return (
    <details className="mt-1 text-[13px] text-soft">
      <summary>{snoozedInWords(view)}</summary>
      <ul className="mt-1">
        {view.snoozed.map(({ id, childId, kind, laterUntil }) => (
          <li key={id} className="flex gap-3">
            <span>
              {view.names[childId]}, {words(`decisionKinds.${kind}`)}, until {longDay(laterUntil!)}
            </span>
            <TakeUp decisionId={id} undo={undo} />
          </li>
        ))}
      </ul>
    </details>
  );
}
