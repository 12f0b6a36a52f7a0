import { FRAME, pictureOf, type Part, type PictureId, type Spot } from '@/core/pictures';

interface Props {
  readonly picture: PictureId;
  readonly isLeft: boolean;
  /** Description of the picture, in words. */
  readonly label: string;
}

const FILLS = { paper: 'var(--color-sheet)', thing: 'var(--color-straw-tint)', dark: 'var(--color-ink)', none: 'none' } as const;
const INK = 'var(--color-ink)';
const OUTLINE = 1.6;

/** Draws what a good one looks like: a line drawing, for the working hand. */
export function GoodOneDrawing({ picture, isLeft, label }: Props) {
  return (
    <svg
      viewBox={`0 0 ${FRAME.width} ${FRAME.height}`}
      className="good-one mt-2 block h-auto w-full max-w-[18rem]"
      role="img"
      aria-label={label}
      fill="none"
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      {pictureOf(picture, isLeft).map((part, index) => (
        <DrawnPart key={index} part={part} />
      ))}
    </svg>
  );
}

export function DrawnPart({ part }: { part: Part }) {
  switch (part.kind) {
    case 'limb': {
      const d = wayOf(part.spots);
      return (
        <>
          <path d={d} stroke={INK} strokeWidth={part.width} />
          <path d={d} stroke="var(--color-sheet)" strokeWidth={part.width - 2 * OUTLINE} />
        </>
      );
    }
    case 'thing':
      return (
        <path
          d={wayOf(part.spots) + (part.isClosed ? 'Z' : '')}
          fill={FILLS[part.fill]}
          stroke={INK}
          strokeWidth={part.isClosed ? OUTLINE : 3}
        />
      );
    case 'disc':
      return (
        <circle
          cx={round(part.at[0])}
          cy={round(part.at[1])}
          r={part.radius}
          fill={FILLS[part.fill]}
          stroke={INK}
          strokeWidth={part.fill === 'none' ? 2.6 : OUTLINE}
        />
      );
    case 'line':
      return <path d={wayOf(part.spots)} stroke={INK} strokeWidth={OUTLINE} strokeDasharray={part.isDashed ? '4 4' : undefined} />;
    case 'arrow':
      return <path d={wayOf(part.spots) + tipOf(part.spots)} stroke="var(--color-green)" strokeWidth={2.4} />;
  }
}

const round = (value: number) => Math.round(value * 10) / 10;
const wayOf = (spots: readonly Spot[]) => spots.map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${round(x)} ${round(y)}`).join('');

function tipOf(spots: readonly Spot[]): string {
  const [[fx, fy], [x, y]] = [spots.at(-2)!, spots.at(-1)!];
  const angle = Math.atan2(y - fy, x - fx);
  const wing = (turn: number) => `${round(x - 8 * Math.cos(angle + turn))} ${round(y - 8 * Math.sin(angle + turn))}`;
  return `M${wing(0.5)}L${round(x)} ${round(y)}L${wing(-0.5)}`;
}
