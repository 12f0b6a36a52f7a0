import { svgPath, type Mark, type Scene, type Tone } from '@/core/worksheets';

/** Black ink alone: what helps is thinner, broken or gray enough to be seen on a copy. */
const INKS: Readonly<Record<Tone, string>> = { ink: '#000', soft: '#444', faint: '#8a8a8a' };
const FILLS = { shade: '#d9d9d9', ink: '#000', paper: '#fff' } as const;

interface Props {
  readonly scene: Scene;
  readonly label: string;
  readonly className?: string;
  /** Drawn over it, in mm. */
  readonly children?: React.ReactNode;
}

/** Draws a side of a worksheet in its true proportions, as large as its frame. */
export function SceneDrawing({ scene, label, className, children }: Props) {
  const { widthMm, heightMm, marks } = scene;
  return (
    <svg
      viewBox={`0 0 ${widthMm} ${heightMm}`}
      className={className}
      // A drawing with handles is not a mere picture.
      role={children ? 'group' : 'img'}
      aria-label={label}
      strokeLinecap="round"
      strokeLinejoin="round"
    >
      <rect width={widthMm} height={heightMm} fill="#fff" />
      {marks.map((mark, index) => (
        <DrawnMark key={index} mark={mark} />
      ))}
      {children}
    </svg>
  );
}

function DrawnMark({ mark }: { mark: Mark }) {
  const ink = INKS[mark.tone];
  switch (mark.kind) {
    case 'path':
      return (
        <path
          d={svgPath(mark.curves, mark.isClosed)}
          fill={mark.fill ? FILLS[mark.fill] : 'none'}
          stroke={ink}
          strokeWidth={mark.widthMm}
          strokeDasharray={mark.dash?.join(' ')}
        />
      );
    case 'dot':
      return (
        <circle
          cx={mark.at[0]}
          cy={mark.at[1]}
          r={mark.radiusMm}
          fill={mark.isFilled ? ink : 'none'}
          stroke={mark.isFilled ? undefined : ink}
          strokeWidth={0.5}
        />
      );
    case 'text':
      return (
        <text
          x={mark.at[0]}
          y={mark.at[1]}
          fontSize={mark.sizeMm}
          textAnchor={mark.anchor}
          fontWeight={mark.isBold ? 700 : undefined}
          fill={ink}
        >
          {mark.text}
        </text>
      );
  }
}
