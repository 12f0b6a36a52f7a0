import { strokesFrom, type Stroke } from './strokes';

/**
 * Letters of single strokes, our own: the middle zone is 1 high, tall ones reach 2, tails −1. Order and way as they are usually taught (down first, round ones from
 * the right top against the clock): common practice, no source.
 */
const FORMS: Readonly<Record<string, string>> = {
  A: 'M.7 2L0 0|M.7 2L1.4 0|M.28 .8L1.12 .8',
  B: 'M0 2L0 0|M0 2L.5 2A.5 1.5 .5 .5 90 -180L0 1L.5 1A.5 .5 .55 .5 90 -180L0 0',
  C: 'A.75 1 .75 1 45 270',
  D: 'M0 2L0 0|M0 2L.2 2A.2 1 1 1 90 -180L0 0',
  E: 'M0 2L0 0|M0 2L1 2|M0 1L.8 1|M0 0L1 0',
  F: 'M0 2L0 0|M0 2L1 2|M0 1L.8 1',
  G: 'A.75 1 .75 1 45 315L.9 1',
  H: 'M0 2L0 0|M1.2 2L1.2 0|M0 1L1.2 1',
  I: 'M.4 2L.4 0|M0 2L.8 2|M0 0L.8 0',
  J: 'M.8 2L.8 .5A.4 .5 .4 .5 0 -180',
  K: 'M0 2L0 0|M1.1 2L0 .9L1.1 0',
  L: 'M0 2L0 0L1 0',
  M: 'M0 2L0 0|M0 2L.75 .4L1.5 2L1.5 0',
  N: 'M0 2L0 0|M0 2L1.2 0L1.2 2',
  O: 'A.75 1 .75 1 90 360',
  P: 'M0 2L0 0|M0 2L.5 2A.5 1.5 .5 .5 90 -180L0 1',
  Q: 'A.75 1 .75 1 90 360|M.9 .5L1.5 -.1',
  R: 'M0 2L0 0|M0 2L.5 2A.5 1.5 .5 .5 90 -180L0 1L1 0',
  S: 'A.55 1.5 .5 .5 30 240A.55 .5 .5 .5 90 -240',
  T: 'M.6 2L.6 0|M0 2L1.2 2',
  U: 'M0 2L0 .6A.6 .6 .6 .6 180 180L1.2 2',
  V: 'M0 2L.65 0L1.3 2',
  W: 'M0 2L.5 0L1 2L1.5 0L2 2',
  X: 'M0 2L1.2 0|M1.2 2L0 0',
  Y: 'M0 2L.6 1|M1.2 2L.6 1L.6 0',
  Z: 'M0 2L1.2 2L0 0L1.2 0',
  a: 'A.5 .5 .5 .5 45 315L1 1L1 0',
  b: 'M0 2L0 0L0 .5A.5 .5 .5 .5 180 -360',
  c: 'A.5 .5 .5 .5 45 270',
  d: 'A.5 .5 .5 .5 45 315L1 2L1 0',
  e: 'M0 .5L1 .5A.5 .5 .5 .5 0 315',
  f: 'A.55 1.6 .35 .4 30 150L.2 0|M0 1L.6 1',
  g: 'A.5 .5 .5 .5 45 315L1 1L1 -.5A.5 -.5 .5 .5 0 -180',
  h: 'M0 2L0 0L0 .5A.5 .5 .5 .5 180 -180L1 0',
  i: 'M0 1L0 0|M0 1.5L0 1.45',
  j: 'M.5 1L.5 -.6A.2 -.6 .3 .4 0 -150|M.5 1.5L.5 1.45',
  k: 'M0 2L0 0|M.8 1L0 .4L.8 0',
  l: 'M0 2L0 0',
  m: 'M0 1L0 0L0 .6A.4 .6 .4 .4 180 -180L.8 0L.8 .6A1.2 .6 .4 .4 180 -180L1.6 0',
  n: 'M0 1L0 0L0 .5A.5 .5 .5 .5 180 -180L1 0',
  o: 'A.5 .5 .5 .5 90 360',
  p: 'M0 1L0 -1L0 .5A.5 .5 .5 .5 180 -360',
  q: 'A.5 .5 .5 .5 45 315L1 1L1 -1',
  r: 'M0 1L0 0L0 .5A.45 .5 .45 .5 180 -140',
  s: 'A.4 .75 .4 .25 30 240A.4 .25 .4 .25 90 -240',
  t: 'M.35 1.8L.35 0|M0 1L.7 1',
  u: 'M0 1L0 .5A.5 .5 .5 .5 180 180L1 1L1 0',
  v: 'M0 1L.5 0L1 1',
  w: 'M0 1L.4 0L.8 1L1.2 0L1.6 1',
  x: 'M0 1L.9 0|M.9 1L0 0',
  y: 'M0 1L0 .5A.5 .5 .5 .5 180 180L1 1L1 -.5A.5 -.5 .5 .5 0 -180',
  z: 'M0 1L.9 1L0 0L.9 0',
  '0': 'A.6 1 .6 1 90 360',
  '1': 'M0 2L0 0',
  '2': 'A.55 1.45 .55 .55 150 -190L0 0L1.1 0',
  '3': 'A.5 1.5 .5 .5 150 -240A.5 .5 .55 .5 90 -240',
  '4': 'M0 2L0 .8L1.1 .8|M.8 2L.8 0',
  '5': 'M0 2L0 1.2L.45 1.2A.45 .6 .6 .6 90 -240|M0 2L1 2',
  '6': 'A.85 .6 .85 1.4 90 90A.55 .6 .55 .6 180 360',
  '7': 'M0 2L1.1 2L.4 0',
  '8': 'A.55 1.5 .5 .5 45 225A.55 .5 .55 .5 90 -360A.55 1.5 .5 .5 270 135',
  '9': 'A.5 1.45 .5 .55 0 360L1 0',
  '.': 'M0 .06L.06 0',
  ',': 'M.1 .1L0 -.25',
  '?': 'A.45 1.55 .45 .45 160 -250L.45 .6|M.45 .06L.45 0',
  '!': 'M0 2L0 .5|M0 .06L0 0',
  "'": 'M0 2L0 1.6',
  '’': 'M0 2L0 1.6',
  '-': 'M0 .7L.6 .7',
};

/** Marks over a letter, about its middle, above the zone that the letter fills. */
const ACCENTS: Readonly<Record<string, string>> = {
  '\u0301': 'M.2 .6L-.1 .3',
  '\u0300': 'M-.2 .6L.1 .3',
  '\u0302': 'M-.25 .3L0 .6L.25 .3',
  '\u0303': 'M-.35 .35L-.12 .5L.12 .35L.35 .5',
  '\u0308': 'M-.25 .45L-.25 .4|M.25 .45L.25 .4',
  '\u0327': 'M0 -.1L.1 -.35L-.1 -.45',
};

export interface Letter {
  readonly strokes: readonly Stroke[];
  /** From the left edge of its ink to the right one. */
  readonly width: number;
  /** The zones that it fills: its height over the line, and how far it hangs below. */
  readonly over: number;
  readonly under: number;
}

/** A letter, numeral or mark in strokes, y growing downwards from the line it stands on; null for one that we have no strokes for. */
export function letterOf(character: string): Letter | null {
  const [base, ...marks] = [...character.normalize('NFD')];
  const form = base && FORMS[base];
  if (!form || marks.some((mark) => !ACCENTS[mark])) return null;
  // A dotless i carries the accent in the dot's place.
  const strokes = strokesFrom(marks.length > 0 && (base === 'i' || base === 'j') ? form.split('|')[0]! : form);
  const [over, under] = zonesOf(base);
  const width = WIDTHS[base] ?? widthOf(strokes);
  const above = marks.some((mark) => mark !== '\u0327');
  const accents = marks.flatMap((mark) =>
    strokesFrom(ACCENTS[mark]!).map((stroke) => stroke.map((curve) => shifted(curve, width / 2, mark === '\u0327' ? 0 : -over))),
  );
  return { strokes: [...strokes, ...accents], width, over: over + (above ? 0.6 : 0), under };
}

const WIDTHS: Readonly<Record<string, number>> = { '.': 0.1, i: 0.1, l: 0.1, '1': 0.1, "'": 0.1, '’': 0.1, '!': 0.1 };

function zonesOf(base: string): readonly [over: number, under: number] {
  if ('gpqy'.includes(base)) return [1, 1];
  if (base === 'j') return [1.5, 1];
  if (base === 'i') return [1.5, 0];
  if (base === ',') return [0.2, 0.3];
  if (base === '.') return [0.2, 0];
  if (base === '-') return [1, 0];
  return /[a-z]/.test(base) && !'bdfhklt'.includes(base) ? [1, 0] : [2, 0];
}

function widthOf(strokes: readonly Stroke[]): number {
  return Math.max(0.1, ...strokes.flat().map(rightOf));
}

function rightOf(curve: Stroke[number]): number {
  if (curve.kind === 'line') return Math.max(curve.from[0], curve.to[0]);
  return curve.kind === 'arc' ? curve.middle[0] + curve.radii[0] : 0;
}

function shifted(curve: Stroke[number], dx: number, dy: number): Stroke[number] {
  if (curve.kind !== 'line') return curve;
  return { ...curve, from: [curve.from[0] + dx, curve.from[1] + dy], to: [curve.to[0] + dx, curve.to[1] + dy] };
}

/** Every sign that has strokes of its own. @internal shown to the tests */
export const LETTERS_DRAWN = Object.keys(FORMS);
