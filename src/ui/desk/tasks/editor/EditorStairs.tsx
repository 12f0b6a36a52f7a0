import { demandOf } from '@/core/knobs';
import type { TaskContent } from '@/core/tasks';

const HEIGHT = 132;
const FOOT = 18;
const HEADROOM = 28;
/** Width of a tread in the drawing's own units: it stretches with the column below. */
const TREAD = 100;

interface Props {
  readonly task: TaskContent;
  /** The chosen step, from 0. */
  readonly step: number;
  /** Steps with an error, from 0. */
  readonly faulty: ReadonlySet<number>;
}

/** Treads as wide as the columns below them, rising by demand; a step that is not harder is drawn where it falls, in brick. */
export function EditorStairs({ task, step, faulty }: Props) {
  const demands = task.ladder.steps.map((each) => demandOf(task.knobs, each.grade));
  const count = demands.length;
  const least = Math.min(...demands);
  const spread = Math.max(...demands) - least;
  const top = (demand: number) => HEIGHT - FOOT - (spread === 0 ? 0 : ((demand - least) / spread) * (HEIGHT - FOOT - HEADROOM));
  const path = demands.map((demand, index) => `${index === 0 ? 'M0 ' : 'V'}${top(demand)}H${(index + 1) * TREAD}`).join('');
  const strokeOf = (index: number) =>
    faulty.has(index) ? 'var(--color-brick)' : index === step ? 'var(--color-ink)' : 'var(--color-green)';
  return (
    <div className="relative">
      <svg
        viewBox={`0 0 ${count * TREAD} ${HEIGHT}`}
        preserveAspectRatio="none"
        className="block w-full"
        style={{ height: HEIGHT }}
        role="img"
        aria-label={`Demand of ${count} steps: ${demands.map((demand) => demand.toFixed(1)).join(', ')}`}
      >
        <path d={`${path}V${HEIGHT}H0Z`} fill="var(--color-green-tint)" />
        <path d={path} fill="none" stroke="var(--color-green)" strokeWidth="2" vectorEffect="non-scaling-stroke" />
        {demands.map((demand, index) => (
          <path
            key={index}
            d={`M${index * TREAD} ${top(demand)}h${TREAD}`}
            stroke={strokeOf(index)}
            strokeWidth={faulty.has(index) || index === step ? 5 : 2}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </svg>
      <Peg place={(task.ladder.startStep - 0.5) / count} top={top(demands[task.ladder.startStep - 1] ?? least)} />
    </div>
  );
}

/** Stands on the start step. It keeps its shape while the stairs stretch with the columns. */
function Peg({ place, top }: { place: number; top: number }) {
  return (
    <svg
      width="16"
      height={HEADROOM}
      className="absolute"
      style={{ left: `calc(${place * 100}% - 8px)`, top: top - HEADROOM }}
      aria-hidden="true"
    >
      <path d="M8 28V12" stroke="var(--color-ink)" strokeWidth="3" />
      <circle cx="8" cy="8" r="7" fill="var(--color-ink)" />
    </svg>
  );
}
