import type { PlacedThing, Shape, TableSide } from '@/core/tasks';

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
  /** The table when the work is done: no hand goes any more. */
  readonly isDone?: boolean;
}

/** The table from above, the child at the near edge: what lies where, and which way the hand goes. */
export function TableMapDrawing({ places, wordsOf, hand, label, childName, isDone = false }: Props) {
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="mt-1 block h-auto w-full max-w-[26rem]" role="img" aria-label={label}>
      <rect x="1" y="1" width={WIDTH - 2} height="140" rx="6" fill="var(--color-sheet)" stroke="var(--color-soft)" strokeWidth="1.5" />
      <path d={`M${MIDDLE} 6V136`} stroke="var(--color-soft)" strokeDasharray="4 4" />
      {!isDone && <Way places={places} hand={hand} />}
      {(Object.keys(SPOTS) as TableSide[]).map((side) => {
        const here = places.filter((place) => place.side === side);
        return <Things key={side} side={side} texts={here.map(wordsOf)} things={here} />;
      })}
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

function Things({ side, texts, things }: { side: TableSide; texts: readonly string[]; things: readonly PlacedThing[] }) {
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
      <FromAbove things={things} x={x} bottom={top - 18} />
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

/** Units of the map for each millimeter: the table is a meter wide. */
const SCALE = WIDTH / 1000;
const MOST_DRAWN = 5;
const MOST_HIGH = 26;

/** Things as large as they are beside the table, seen from above; large ones are cut to the room there is. */
function FromAbove({ things, x, bottom }: { things: readonly PlacedThing[]; x: number; bottom: number }) {
  const drawn = things.flatMap(({ shape, count = 1 }) =>
    shape ? Array.from({ length: Math.min(count, MOST_DRAWN) }, () => fromAbove(shape)) : [],
  );
  if (drawn.length === 0) return null;
  const widths = drawn.map(({ wide }) => Math.max(3, wide * SCALE));
  const room = 2 * HALF_BOX;
  const shrink = Math.min(1, room / (widths.reduce((sum, wide) => sum + wide + 2, 0) || 1));
  let left = x - (widths.reduce((sum, wide) => sum + wide + 2, -2) * shrink) / 2;
  return drawn.map(({ high, round }, index) => {
    const width = widths[index]! * shrink;
    const height = Math.min(MOST_HIGH, Math.max(3, high * SCALE)) * shrink;
    const at = left;
    left += width + 2 * shrink;
    return (
      <rect
        key={index}
        x={Math.round(at * 10) / 10}
        y={Math.round((bottom - height) * 10) / 10}
        width={Math.round(width * 10) / 10}
        height={Math.round(height * 10) / 10}
        rx={round ? Math.round(Math.min(width, height) * 5) / 10 : 1}
        fill="var(--color-straw-tint)"
        stroke="var(--color-ink)"
        strokeWidth="1"
      />
    );
  });
}

/** Returns the size of a shape from above, in mm: long round things lie, others stand upright. */
function fromAbove(shape: Shape): { readonly wide: number; readonly high: number; readonly round: boolean } {
  switch (shape.kind) {
    case 'sphere':
      return { wide: shape.diameterMm, high: shape.diameterMm, round: true };
    case 'cylinder':
      return shape.lengthMm > 1.5 * shape.diameterMm
        ? { wide: shape.lengthMm, high: shape.diameterMm, round: false }
        : { wide: shape.diameterMm, high: shape.diameterMm, round: true };
    case 'box':
      return { wide: shape.lengthMm, high: shape.widthMm, round: false };
  }
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
