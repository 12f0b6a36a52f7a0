import { useRef } from 'react';
import { turnablesOf, turned, type Handle, type Point } from '@/core/worksheets';
import type { SheetSpec } from '@/core/tasks';
import { turnableName, valueWords } from './sheetWords';

interface Props {
  readonly handles: readonly Handle[];
  readonly origin: Point;
  readonly spec: SheetSpec;
  readonly set: (spec: SheetSpec, turned: string) => void;
  readonly rest: () => void;
}

const SIDE = 4;
const FINE = 0.1;

/** Straw squares on the drawing: pulled, or turned by the arrows where they have the focus. */
export function SheetHandles({ handles, origin, spec, set, rest }: Props) {
  const turnables = turnablesOf(spec);
  const pulled = useRef<{ readonly key: string; readonly x: number; readonly y: number; readonly value: number } | null>(null);
  const change = (key: string, value: number) => {
    const turnable = turnables.find((each) => each.key === key)!;
    const within = Math.min(turnable.most, Math.max(turnable.least, Math.round(value * 10) / 10));
    const next = turned(spec, key, within);
    if (next) set(next, key);
  };
  return (
    <>
      {handles.map(({ key, at, along, gain }) => {
        const turnable = turnables.find((each) => each.key === key);
        if (!turnable) return null;
        const [x, y] = [origin[0] + at[0], origin[1] + at[1]];
        return (
          <rect
            key={key}
            x={x - SIDE / 2}
            y={y - SIDE / 2}
            width={SIDE}
            height={SIDE}
            fill="var(--color-straw)"
            stroke="#1f2e2b"
            strokeWidth={0.5}
            className="cursor-grab touch-none outline-offset-2 focus-visible:outline-2"
            role="slider"
            tabIndex={0}
            aria-label={turnableName(key)}
            aria-valuenow={turnable.value}
            aria-valuemin={turnable.least}
            aria-valuemax={turnable.most}
            aria-valuetext={valueWords(turnable, turnable.value)}
            onKeyDown={(event) => {
              const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
              if (!by) return;
              event.preventDefault();
              event.stopPropagation();
              rest();
              change(key, turnable.value + by * (event.shiftKey ? FINE : 1));
            }}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              rest();
              pulled.current = { key, x: event.clientX, y: event.clientY, value: turnable.value };
            }}
            onPointerMove={(event) => {
              const from = pulled.current;
              if (from?.key !== key) return;
              const svg = event.currentTarget.ownerSVGElement!;
              const scale = svg.viewBox.baseVal.width / svg.getBoundingClientRect().width;
              const way = (event.clientX - from.x) * scale * along[0] + (event.clientY - from.y) * scale * along[1];
              change(key, from.value + way * gain);
            }}
            onPointerUp={() => {
              pulled.current = null;
              rest();
            }}
          />
        );
      })}
    </>
  );
}
