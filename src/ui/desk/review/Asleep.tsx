import type { ReviewView } from '@/server/review/viewReview';
import { longDay } from '../../shared/days';
import { words } from '../../shared/deskWords';
import type { ActionOf } from './reviewAct';
import { TakeUp } from './TakeUp.client';

/** "2 asleep till Thursday, November 26", or the first day of several. */
export function asleepInWords({ asleep }: Pick<ReviewView, 'asleep'>): string {
  const days = [...new Set(asleep.map(({ laterUntil }) => laterUntil!))];
  return `${asleep.length} asleep ${days.length === 1 ? 'till' : 'the first till'} ${longDay(days[0]!)}`;
}

/** What this person put off: it can be seen, and taken up before its day. */
export function Asleep({ view, undo }: { view: ReviewView; undo: ActionOf }) {
  if (view.asleep.length === 0) return null;
  return (
    <details className="mt-1 text-[13px] text-soft">
      <summary>{asleepInWords(view)}</summary>
      <ul className="mt-1">
        {view.asleep.map(({ id, childId, kind, laterUntil }) => (
          <li key={id} className="flex gap-3">
            <span>
              {view.names[childId]}, {words(`decisionKinds.${kind}`)}, till {longDay(laterUntil!)}
            </span>
            <TakeUp decisionId={id} undo={undo} />
          </li>
        ))}
      </ul>
    </details>
  );
}
