import { harderBy, MARGIN_MM, type Scene } from '@/core/worksheets';
import type { SheetSpec } from '@/core/tasks';
import type { PaperSize } from '@/core/print';
import { KeyCap } from '../parts/KeyCap';
import { turnableName, valueWords } from './sheetWords';

/** Ticks at every centimeter, and what a printer reaches; neither is printed. */
export function Rulers({ scene: { widthMm, heightMm } }: { scene: Scene }) {
  const ticks = (long: number) => Array.from({ length: Math.floor(long / 10) }, (_, index) => (index + 1) * 10);
  const lengthOf = (at: number) => (at % 50 === 0 ? 3.2 : 1.6);
  return (
    <g aria-hidden="true" stroke="#8a8272" strokeWidth={0.3} fill="none">
      <path
        d={
          ticks(widthMm)
            .map((x) => `M${x} 0v${lengthOf(x)}`)
            .join('') +
          ticks(heightMm)
            .map((y) => `M0 ${y}h${lengthOf(y)}`)
            .join('')
        }
      />
      <rect
        x={MARGIN_MM - 4}
        y={MARGIN_MM - 4}
        width={widthMm - 2 * MARGIN_MM + 8}
        height={heightMm - 2 * MARGIN_MM + 8}
        strokeDasharray="1 1.5"
      />
    </g>
  );
}

export function Switch({ letter, isOn, onPress, says }: { letter: string; isOn: boolean; onPress: () => void; says: string }) {
  return (
    <button
      type="button"
      className={`text-left ${isOn ? 'font-bold' : ''}`}
      aria-pressed={isOn}
      onClick={onPress}
      data-key={letter}
      data-key-says={says}
    >
      <KeyCap>{letter.toUpperCase()}</KeyCap> {says}
    </button>
  );
}

export function HarderButton({
  found,
  letter,
  says,
  onPress,
}: {
  found: ReturnType<typeof harderBy>;
  letter: string;
  says: string;
  onPress: () => void;
}) {
  return (
    <button
      type="button"
      className="text-left disabled:text-soft"
      disabled={!found}
      onClick={onPress}
      data-key={letter}
      data-key-says={says}
    >
      <KeyCap>{letter.toUpperCase()}</KeyCap> <strong>{says}</strong>{' '}
      <span className="text-soft">
        {found
          ? `${turnableName(found.key)}: ${valueWords({ unit: found.key.endsWith('Degrees') ? 'degrees' : 'mm' }, found.to)}`
          : 'nothing here can be adjusted that far'}
      </span>
    </button>
  );
}

interface PrintProps {
  readonly spec: SheetSpec;
  readonly slug: string;
  readonly step: number;
  readonly childId: number | null;
  readonly paper: PaperSize;
  readonly isLarge: boolean;
  readonly isLeft: boolean;
}

/** The very sheet on the screen, as a PDF. */
export function PrintForm({ spec, slug, step, childId, paper, isLarge, isLeft }: PrintProps) {
  return (
    <form method="post" action="/worksheets/file" target="_blank">
      <input
        type="hidden"
        name="wish"
        value={JSON.stringify({
          spec,
          slug,
          step,
          ...(childId && { childId }),
          size: paper,
          large: isLarge,
          hand: isLeft ? 'left' : 'right',
        })}
      />
      <button className="act" data-key="p" data-key-says="Print">
        Print <KeyCap>P</KeyCap>
      </button>
    </form>
  );
}
