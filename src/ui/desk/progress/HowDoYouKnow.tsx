import Link from 'next/link';
import { BASELINE_ID } from '@/core/progress';
import type { GoalInFull } from '@/server/progress/goalInFull';
import { dayAndMonth } from '../../shared/days';
import { unitWords } from '../goals/goalWords';
import type { KnownSentence } from './reportWords';

const SHOWN = 40;

/** Each sentence with its formula and counts, and the rows of the log behind them. */
export function HowDoYouKnow({ here, sentences }: { readonly here: GoalInFull; readonly sentences: readonly KnownSentence[] }) {
  return (
    <div className="print:hidden">
      <h3 className="text-[15px]">How was this calculated?</h3>
      {sentences.map(({ key, says, how, behind }) => (
        <details key={key} className="mt-1 text-[14px]">
          <summary className="link inline">{says.length > 70 ? `${says.slice(0, 68)}…` : says}</summary>
          <div className="mt-1 border-l-4 border-line pl-2">
            <p>{how}</p>
            {behind.points.length > 0 && <Behind here={here} behind={behind} />}
          </div>
        </details>
      ))}
    </div>
  );
}

/** The latest first. */
function Behind({
  here: { childId, goal },
  behind: { whose, points },
}: {
  readonly here: GoalInFull;
  readonly behind: KnownSentence['behind'];
}) {
  const shown = [...points].reverse().slice(0, SHOWN);
  return (
    <p className="mt-1">
      {whose === 'family' ? 'The reports behind it: ' : 'Data points behind it: '}
      {shown.map((point, index) => {
        const says = `${dayAndMonth(point.day)}, ${unitWords(goal.measure, point.value)}`;
        const href =
          whose === 'family' ? `/students/${childId}/reports/${point.sourceId}` : `/students/${childId}/measure#measured-${point.sourceId}`;
        return (
          <span key={point.sourceId}>
            {index > 0 && ' · '}
            {whose === 'own' && point.sourceId === BASELINE_ID ? (
              `${says} (the baseline)`
            ) : (
              <Link href={href} prefetch={false} className="link">
                {says}
              </Link>
            )}
          </span>
        );
      })}
      {points.length > SHOWN && `, and ${points.length - SHOWN} older ones in the table below`}
    </p>
  );
}
