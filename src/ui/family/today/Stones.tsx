import { directionOf, type Language } from '@/core/text';
import type { FamilyTask as FamilyTaskView } from '@/server/reports/viewFamily';

interface Props {
  readonly tasks: readonly FamilyTaskView[];
  readonly here: number | null;
  readonly label: string;
  /** The way runs as its language is read. */
  readonly language: Language;
}

/** Draws a stone for each task: ticked once there is a report, the present one in straw, coming ones dashed. */
export function Stones({ tasks, here, label, language }: Props) {
  if (tasks.length === 0) return null;
  const pitch = 340 / tasks.length;
  const firstOpen = here ?? tasks.find(({ reportedToday }) => !reportedToday)?.task.versionTaskId ?? null;
  const y = (index: number) => 24 + (index % 2 ? -4 : 4);
  return (
    <svg viewBox="0 0 340 48" className="mt-1 h-auto w-full" role="img" aria-label={label}>
      <path
        d={`M${pitch / 2} 28C${pitch} 16 ${340 - pitch} 36 ${340 - pitch / 2} 24`}
        fill="none"
        stroke="var(--color-line)"
        strokeWidth="9"
        strokeLinecap="round"
      />
      {tasks.map(({ task, reportedToday: reported, closed }, index) => {
        // No green tick on a task that hurt.
        const reportedToday = closed ? null : reported;
        const x = pitch * ((directionOf(language) === 'rtl' ? tasks.length - 1 - index : index) + 0.5);
        const isHere = task.versionTaskId === firstOpen;
        const said = reportedToday !== null;
        return (
          <g key={task.versionTaskId}>
            <ellipse
              cx={x}
              cy={y(index)}
              rx={isHere ? 23 : 20}
              ry={isHere ? 15 : 13}
              fill={
                said
                  ? reportedToday.done
                    ? 'var(--color-green)'
                    : 'var(--color-sheet)'
                  : isHere
                    ? 'var(--color-straw)'
                    : 'var(--color-sheet)'
              }
              stroke={said && reportedToday.done ? 'var(--color-green)' : 'var(--color-ink)'}
              strokeWidth={isHere ? 2 : 1.3}
              strokeDasharray={said || isHere ? undefined : '3 2.5'}
            />
            {said && reportedToday.done && (
              <path d={`M${x - 7} ${y(index)}l5 5l9 -9`} fill="none" stroke="var(--color-sheet)" strokeWidth="2.6" />
            )}
            {said && !reportedToday.done && <path d={`M${x - 6} ${y(index)}h12`} stroke="var(--color-brick)" strokeWidth="2.6" />}
          </g>
        );
      })}
    </svg>
  );
}
