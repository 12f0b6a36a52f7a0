import type { PlacedThing, TableSide } from '@/core/tasks';

const WIDTH = 340;
const HEIGHT = 176;
const MIDDLE = WIDTH / 2;
const ROW = 82;
const SPOTS: Record<TableSide, { readonly x: number; readonly y: number }> = {
  left: { x: 56, y: ROW },
  right: { x: WIDTH - 56, y: ROW },
  middle: { x: MIDDLE, y: ROW },
  far: { x: MIDDLE, y: 30 },
};
const HALF_BOX = 50;
const LETTERS_IN_LINE = 14;
const LINE = 15;

interface Props {
  readonly places: readonly PlacedThing[];
  readonly wordsOf: (thing: PlacedThing) => string;
  readonly hand: 'left' | 'right' | 'unsettled';
  /** The whole map in words, for those who do not see it. */
  readonly label: string;
  readonly childName: string;
}

/** The table from above, the child at the near edge: what lies where, and which way the hand goes. */
export function TableMapDrawing({ places, wordsOf, hand, label, childName }: Props) {
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="mt-1 block h-auto w-full max-w-[26rem]" role="img" aria-label={label}>
      <rect x="1" y="1" width={WIDTH - 2} height="140" rx="6" fill="var(--color-sheet)" stroke="var(--color-soft)" strokeWidth="1.5" />
      <path d={`M${MIDDLE} 6V136`} stroke="var(--color-soft)" strokeDasharray="4 4" />
      <Way places={places} hand={hand} />
      {(Object.keys(SPOTS) as TableSide[]).map((side) => (
        <Things key={side} side={side} texts={places.filter((place) => place.side === side).map(wordsOf)} />
      ))}
      <path
        d={`M${MIDDLE - 46} ${HEIGHT - 1}A46 34 0 0 1 ${MIDDLE + 46} ${HEIGHT - 1}Z`}
        fill="var(--color-straw-tint)"
        stroke="var(--color-ink)"
        strokeWidth="1.5"
      />
      <text x={MIDDLE} y={HEIGHT - 9} textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--color-ink)">
        {childName}
      </text>
      {hand !== 'right' && <Hand x={MIDDLE - 62} works={hand === 'left'} />}
      {hand !== 'left' && <Hand x={MIDDLE + 62} works={hand === 'right'} />}
    </svg>
  );
}

function Things({ side, texts }: { side: TableSide; texts: readonly string[] }) {
  const lines = texts.flatMap((text) => wrap(text));
  if (lines.length === 0) return null;
  const { x, y } = SPOTS[side];
  const top = y - ((lines.length - 1) * LINE) / 2;
  return (
    <>
      <rect
        x={x - HALF_BOX}
        y={top - 17}
        width={2 * HALF_BOX}
        height={lines.length * LINE + 10}
        rx="3"
        fill="var(--color-paper)"
        stroke="var(--color-ink)"
      />
      <text textAnchor="middle" fontSize="13" fill="var(--color-ink)">
        {lines.map((text, index) => (
          <tspan key={index} x={x} y={top + index * LINE}>
            {text}
          </tspan>
        ))}
      </text>
    </>
  );
}

/** From where things lie to where they go; both ways where the hand is still the child's to choose. */
function Way({ places, hand }: { places: readonly PlacedThing[]; hand: Props['hand'] }) {
  const [first] = places;
  const goal = places.find((place) => place.side !== first?.side);
  if (!first || !goal) return null;
  const [from, to] = [SPOTS[first.side], SPOTS[goal.side]];
  const level = from.y === to.y;
  const aside = Math.sign(to.x - from.x);
  // In one row the hand goes round in front; towards the far edge and back it goes up beside the boxes.
  const start = level
    ? { x: from.x + aside * 18, y: ROW + 26 }
    : { x: from.x + (aside === 0 ? HALF_BOX + 4 : 0), y: from.y + (from.y < to.y ? 4 : aside === 0 ? 0 : -24) };
  const end = level ? { x: to.x - aside * 18, y: ROW + 28 } : { x: to.x + (aside === 0 ? HALF_BOX + 4 : -aside * (HALF_BOX + 4)), y: to.y };
  const bend = level
    ? { x: (start.x + end.x) / 2, y: ROW + 58 }
    : { x: aside === 0 ? start.x + 26 : start.x, y: aside === 0 ? (start.y + end.y) / 2 : end.y };
  const tip = { x: end.x - bend.x, y: end.y - bend.y };
  const tail = { x: start.x - bend.x, y: start.y - bend.y };
  return (
    <g fill="none" stroke="var(--color-green)" strokeWidth="2.5">
      <path d={`M${start.x} ${start.y}Q${bend.x} ${bend.y} ${end.x} ${end.y}`} />
      <Tip at={end} way={tip} />
      {hand === 'unsettled' && <Tip at={start} way={tail} />}
    </g>
  );
}

interface Point {
  readonly x: number;
  readonly y: number;
}

/** The point of an arrow that ends here, having come this way. */
function Tip({ at, way }: { at: Point; way: Point }) {
  const angle = Math.atan2(way.y, way.x);
  const wing = (turn: number) => `${Math.round(at.x - 11 * Math.cos(angle + turn))} ${Math.round(at.y - 11 * Math.sin(angle + turn))}`;
  return <path d={`M${wing(0.5)}L${at.x} ${at.y}L${wing(-0.5)}`} />;
}

/** The working hand is filled. */
function Hand({ x, works }: { x: number; works: boolean }) {
  return (
    <ellipse
      cx={x}
      cy={HEIGHT - 40}
      rx="11"
      ry="14"
      fill={works ? 'var(--color-green)' : 'var(--color-sheet)'}
      stroke="var(--color-green)"
      strokeWidth="2"
    />
  );
}

function wrap(text: string): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= LETTERS_IN_LINE) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  return lines;
}
