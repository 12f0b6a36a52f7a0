/** A place in a picture, in units of its frame, from the left and from the top. */
export type Spot = readonly [x: number, y: number];

/** Building blocks of a picture. They are drawn in order, later ones over earlier ones. */
export type Part =
  /** An arm, a palm or a finger: round at its ends and joints, with an outline. */
  | { readonly kind: 'limb'; readonly spots: readonly Spot[]; readonly width: number }
  /** A thing that is worked with. */
  | { readonly kind: 'thing'; readonly spots: readonly Spot[]; readonly isClosed: boolean; readonly fill: 'paper' | 'thing' | 'none' }
  | { readonly kind: 'disc'; readonly at: Spot; readonly radius: number; readonly fill: 'paper' | 'thing' | 'dark' | 'none' }
  /** An annotation: the path of a move, or a line to keep. */
  | { readonly kind: 'line'; readonly spots: readonly Spot[]; readonly isDashed: boolean }
  | { readonly kind: 'arrow'; readonly spots: readonly Spot[] };

export const FRAME = { width: 160, height: 110 } as const;

const DEGREE = Math.PI / 180;
export const go = ([x, y]: Spot, degrees: number, far: number): Spot => [
  x + far * Math.cos(degrees * DEGREE),
  y + far * Math.sin(degrees * DEGREE),
];

/** A hand seen from the side of its thumb. Angles in degrees: 0 looks to the right, 90 down. */
export interface HandPose {
  readonly wrist: Spot;
  /** Direction that the palm faces along. */
  readonly towards: number;
  /** How far the wrist is bent back, above 0, or dropped, below. */
  readonly wristBack?: number;
  /** How far each joint of a finger is bent, from the knuckle on: of the pointer, then of the others together. */
  readonly pointer: readonly [number, number, number];
  readonly others: readonly [number, number, number];
  /** The thumb: the angle of its base against the palm (above 0 to the side of the fingers' bend), and of its joint. */
  readonly thumb: readonly [number, number];
  readonly size?: number;
}

const ARM = 44;
const PALM = 24;
const BONES = [13, 9, 7] as const;
const THUMB = [12, 10] as const;
const WIDTHS = { arm: 17, palm: 21, finger: 8.5, thumb: 9.5 } as const;

/** The parts of a hand: arm, the other fingers behind, palm, pointer, thumb before all. */
export function hand({ wrist, towards, wristBack = 0, pointer, others, thumb, size = 1 }: HandPose): Part[] {
  const elbow = go(wrist, towards + wristBack + 180, ARM * size);
  const knuckles = go(wrist, towards, PALM * size);
  const finger = (joints: readonly [number, number, number], start: Spot): Part => {
    let [at, angle] = [start, towards];
    const spots = [start];
    joints.forEach((bend, index) => {
      angle += bend;
      at = go(at, angle, BONES[index]! * size);
      spots.push(at);
    });
    return { kind: 'limb', spots, width: WIDTHS.finger * size };
  };
  const base = go(go(wrist, towards, 9 * size), towards - 90, 5 * size);
  const first = go(base, towards + thumb[0], THUMB[0] * size);
  const tip = go(first, towards + thumb[0] + thumb[1], THUMB[1] * size);
  const aside = (far: number) => go(knuckles, towards + 90, far * size);
  return [
    { kind: 'limb', spots: [elbow, wrist], width: WIDTHS.arm * size },
    finger(others, aside(7)),
    finger(others, aside(3.5)),
    { kind: 'limb', spots: [wrist, go(knuckles, towards, -4 * size)], width: WIDTHS.palm * size },
    finger(pointer, aside(-4)),
    { kind: 'limb', spots: [base, first, tip], width: WIDTHS.thumb * size },
  ];
}

/** Returns the tip of a pose's thumb: the place where things are held. */
export function thumbTip({ wrist, towards, thumb, size = 1 }: HandPose): Spot {
  const base = go(go(wrist, towards, 9 * size), towards - 90, 5 * size);
  return go(go(base, towards + thumb[0], THUMB[0] * size), towards + thumb[0] + thumb[1], THUMB[1] * size);
}

/** Places from their short form. @example way('0 0, 10 5') // [[0, 0], [10, 5]] */
export function way(form: string): Spot[] {
  return form.split(',').map((pair): Spot => {
    const [x, y] = pair.trim().split(' ').map(Number) as [number, number];
    return [x, y];
  });
}

/** A picture for the other hand. */
export function mirroredParts(parts: readonly Part[]): Part[] {
  const turn = ([x, y]: Spot): Spot => [FRAME.width - x, y];
  return parts.map((part) => (part.kind === 'disc' ? { ...part, at: turn(part.at) } : { ...part, spots: part.spots.map(turn) }));
}

export const thing = (spots: readonly Spot[], fill: 'paper' | 'thing' | 'none' = 'paper', isClosed = true): Part => ({
  kind: 'thing',
  spots,
  isClosed,
  fill,
});
export const sheet = (left: number, top: number, width: number, height: number, lean = 0): Part =>
  thing([
    [left + lean, top],
    [left + width + lean, top],
    [left + width, top + height],
    [left, top + height],
  ]);
