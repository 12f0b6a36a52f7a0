import type { PlacedThing, TableSide } from '@/core/tasks';

const WIDTH = 340;
const HEIGHT = 176;
const MIDDLE = WIDTH / 2;
const SPOTS: Record<TableSide, { readonly x: number; readonly y: number }> = {
  left: { x: 66, y: 82 },
  right: { x: WIDTH - 66, y: 82 },
  middle: { x: MIDDLE, y: 108 },
  far: { x: MIDDLE, y: 34 },
};
const LETTERS_IN_LINE = 15;
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
      <path d={`M${MIDDLE - 46} ${HEIGHT - 1}A46 34 0 0 1 ${MIDDLE + 46} ${HEIGHT - 1}Z`} fill="var(--color-straw-tint)" stroke="var(--color-ink)" strokeWidth="1.5" />
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
      <rect x={x - 60} y={top - 17} width="120" height={lines.length * LINE + 10} rx="3" fill="var(--color-paper)" stroke="var(--color-ink)" />
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
  const across = Math.abs(to.x - from.x) > 100;
  const lift = across ? 126 : (from.y + to.y) / 2;
  const inset = across ? Math.sign(to.x - from.x) * 40 : 74;
  const start = across ? { x: from.x + inset, y: from.y + 22 } : { x: from.x + 64, y: from.y };
  const end = across ? { x: to.x - inset, y: to.y + 22 } : { x: to.x + 64, y: to.y };
  const tip = across ? Math.sign(end.x - start.x) : 0;
  return (
    <g fill="none" stroke="var(--color-green)" strokeWidth="2.5">
      <path d={across ? `M${start.x} ${start.y}Q${MIDDLE} ${lift + 14} ${end.x} ${end.y}` : `M${start.x} ${start.y}Q${start.x + 26} ${lift} ${end.x} ${end.y}`} />
      <Tip x={end.x} y={end.y} towards={tip} />
      {hand === 'unsettled' && <Tip x={start.x} y={start.y} towards={-tip} />}
    </g>
  );
}

function Tip({ x, y, towards }: { x: number; y: number; towards: number }) {
  return towards === 0 ? <path d={`M${x + 9} ${y - 6}L${x} ${y}L${x + 9} ${y + 6}`} /> : <path d={`M${x - towards * 10} ${y - 2}L${x} ${y}L${x - towards * 3} ${y + 10}`} />;
}

/** The working hand is filled. */
function Hand({ x, works }: { x: number; works: boolean }) {
  return <ellipse cx={x} cy={HEIGHT - 40} rx="11" ry="14" fill={works ? 'var(--color-green)' : 'var(--color-sheet)'} stroke="var(--color-green)" strokeWidth="2" />;
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
