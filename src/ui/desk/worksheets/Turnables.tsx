import { turnablesOf, turned } from '@/core/worksheets';
import type { SheetSpec } from '@/core/tasks';
import { turnableName, valueWords } from './sheetWords';

interface Props {
  readonly spec: SheetSpec;
  /** The sheets of the steps below and above: between them is what this step allows. */
  readonly below: SheetSpec | undefined;
  readonly above: SheetSpec | undefined;
  readonly set: (spec: SheetSpec, turned: string) => void;
  readonly rest: () => void;
}

/** Every number of the sheet, with a straw band for what this step allows; what turned since the step below is bold. */
export function Turnables({ spec, below, above, set, rest }: Props) {
  const turnables = turnablesOf(spec).filter(({ key, value }) => key !== 'endWidthMm' || value !== undefined);
  const of = (other: SheetSpec | undefined, key: string) =>
    other?.kind === spec.kind ? turnablesOf(other).find((each) => each.key === key)?.value : undefined;
  if (turnables.length === 0) return <p className="text-soft">This worksheet has no size to adjust.</p>;
  return (
    <ul>
      {turnables.map((turnable) => {
        const { key, value, least, most, step } = turnable;
        const [low, high] = [of(below, key), of(above, key)];
        const share = (at: number) => ((Math.min(most, Math.max(least, at)) - least) / (most - least || 1)) * 100;
        const band =
          low === undefined && high === undefined
            ? null
            : ([Math.min(low ?? value, high ?? value), Math.max(low ?? value, high ?? value)] as const);
        const isTurned = low !== undefined && low !== value;
        const change = (to: number) => {
          const next = Number.isFinite(to) ? turned(spec, key, Math.min(most, Math.max(least, to))) : null;
          if (next) set(next, key);
        };
        return (
          <li key={key} className="grid grid-cols-[150px_minmax(0,1fr)_92px] items-center gap-3 border-b border-line py-1">
            <label htmlFor={`turn-${key}`} className={isTurned ? 'font-bold' : ''}>
              {turnableName(key)}
            </label>
            <span className="relative block">
              {band && (
                <span
                  aria-hidden="true"
                  className="absolute top-1/2 h-[10px] -translate-y-1/2 border border-straw bg-straw-tint"
                  style={{ left: `${share(band[0])}%`, width: `${Math.max(2, share(band[1]) - share(band[0]))}%` }}
                />
              )}
              <input
                id={`turn-${key}`}
                type="range"
                min={least}
                max={most}
                step={step}
                value={value}
                aria-valuetext={valueWords(turnable, value)}
                className="relative w-full accent-ink"
                onPointerDown={rest}
                onChange={(event) => change(event.target.valueAsNumber)}
              />
            </span>
            <input
              type="number"
              aria-label={`${turnableName(key)}, as a number`}
              min={least}
              max={most}
              step={step}
              value={Math.round(value * 10) / 10}
              className="field w-full px-1 py-0.5 text-right"
              onFocus={rest}
              onChange={(event) => change(event.target.valueAsNumber)}
            />
          </li>
        );
      })}
    </ul>
  );
}
