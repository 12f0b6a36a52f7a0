import type { GoalContent } from '@/core/goals';

interface Props {
  readonly goals: readonly { readonly goalId: number; readonly content: GoalContent }[];
  /** Repetitions a week, in the order of the goals, null where nothing may serve one; null for all where nothing was weighed yet. */
  readonly asked: readonly (number | null)[] | null;
  readonly given: readonly number[];
}

const WIDTH = 220;

/** Shows what each open goal gets from the week, against four days of the task that leads to it. */
export function GoalBars({ goals, asked, given }: Props) {
  if (goals.length === 0) return <p className="mt-3 text-[14px] text-soft">No open goal yet, so tasks cannot be linked to one.</p>;
  return (
    <ul aria-label="Practice for each goal" className="sticky top-0 z-20 mt-3 flex flex-wrap gap-x-8 gap-y-2 bg-paper py-1">
      {goals.map(({ goalId, content }, place) => {
        const has = Math.round(given[place] ?? 0);
        const wants = asked?.[place] ?? null;
        const short = wants === null ? 0 : Math.max(0, wants - has);
        return (
          <li key={goalId} className="max-w-[260px]">
            <span className="block text-[14px] font-semibold">{content.statement}</span>
            {wants !== null && (
              <svg width={WIDTH + 2} height="9" aria-hidden="true" className="block">
                <path d={`M1 4.5H${WIDTH}`} stroke="var(--color-line)" />
                <path d={`M0 1H${Math.round((Math.min(has, wants) / wants) * WIDTH)}V8H0Z`} fill="var(--color-green)" />
                <path d={`M${WIDTH} 0V9`} stroke="var(--color-ink)" strokeWidth="2" />
              </svg>
            )}
            <span className={`text-[13px] ${short > 0 ? 'text-brick' : 'text-soft'}`}>
              {wants === null
                ? `${has} repetitions a week${asked !== null ? '. No task that can be placed works on it.' : ''}`
                : `${has} of ${wants} repetitions a week${short > 0 ? `, ${short} short` : ''}`}
            </span>
          </li>
        );
      })}
    </ul>
  );
}
