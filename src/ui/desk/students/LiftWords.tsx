import type { ChildView } from '@/server/students/viewChild';
import { longDay, momentIn } from '../../shared/days';

type Lift = ChildView['lifts'][number];

/** Shows the findings after a report of pain or injury, who was spoken to, and from which day the task is open again. */
export function LiftWords({ lift, title, timeZone }: { lift: Lift; title: string; timeZone: string }) {
  const { found, spokeTo, fromDay, liftedByName, liftedAt } = lift;
  return (
    <>
      {title}. Found: {found || 'not written'}. {spokeTo && `Spoke with: ${spokeTo}. `}
      {fromDay ? `Opens ${longDay(fromDay)}. ` : 'Open again. '}
      <span className="text-soft">
        {liftedByName}, {momentIn(liftedAt, timeZone)}
      </span>
    </>
  );
}
