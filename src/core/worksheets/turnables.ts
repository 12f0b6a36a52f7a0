import { sheetSpecSchema, type SheetSpec } from '../tasks';

/** A parameter of a worksheet that can be changed: its value and its range. */
export interface Turnable {
  /** The way into the spec, as "path.radiusMm". */
  readonly key: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  readonly unit: 'mm' | 'times' | 'degrees';
}

const RANGES: Readonly<Record<string, readonly [least: number, most: number, step: number, unit: Turnable['unit']]>> = {
  widthMm: [1, 60, 0.5, 'mm'],
  endWidthMm: [1, 60, 0.5, 'mm'],
  sizeMm: [4, 160, 1, 'mm'],
  xHeightMm: [4, 45, 0.5, 'mm'],
  lineMm: [5, 25, 0.5, 'mm'],
  edgeMm: [0.2, 8, 0.2, 'mm'],
  gapMm: [5, 50, 1, 'mm'],
  deepMm: [10, 60, 1, 'mm'],
  lengthMm: [10, 700, 5, 'mm'],
  notchMm: [1, 40, 1, 'mm'],
  everyMm: [10, 80, 1, 'mm'],
  withinMm: [1, 20, 0.5, 'mm'],
  apartMm: [15, 180, 1, 'mm'],
  dotMm: [2, 20, 0.5, 'mm'],
  count: [1, 60, 1, 'times'],
  rows: [1, 8, 1, 'times'],
  cards: [1, 24, 1, 'times'],
  sessions: [1, 14, 1, 'times'],
  sum: [1, 400, 1, 'times'],
  'path.lengthMm': [10, 700, 5, 'mm'],
  'path.radiusMm': [8, 400, 1, 'mm'],
  'path.diameterMm': [15, 170, 1, 'mm'],
  'path.gapMm': [6, 40, 1, 'mm'],
  'path.turns': [1, 6, 0.5, 'times'],
  'path.bends': [1, 8, 1, 'times'],
  'path.bendDegrees': [20, 200, 5, 'degrees'],
  'path.corners': [1, 20, 1, 'times'],
};

/** Every number of a sheet that can be turned, with the bounds within which the sheet stays one. A road that has one width can be given an end of its own. */
export function turnablesOf(spec: SheetSpec): Turnable[] {
  const own = numbersOf(spec as unknown as Record<string, unknown>, '');
  const all = spec.kind === 'road' && spec.endWidthMm === undefined ? [...own, ['endWidthMm', spec.widthMm] as const] : own;
  return all.flatMap(([key, value]) => {
    const range = RANGES[key];
    if (!range) return [];
    const [least, most, step, unit] = range;
    const can = (to: number) => turned(spec, key, to) !== null;
    const [from, to] = [Math.max(least, Math.min(value, least)), Math.max(value, most)];
    return [
      {
        key,
        value,
        least: can(from) ? from : nearest(can, value, from, step),
        most: can(to) ? to : nearest(can, value, to, step),
        step,
        unit,
      },
    ];
  });
}

function numbersOf(from: Record<string, unknown>, before: string): (readonly [string, number])[] {
  return Object.entries(from).flatMap(([key, value]): (readonly [string, number])[] => {
    if (typeof value === 'number') return [[before + key, value]];
    return key === 'path' && typeof value === 'object' && value !== null ? numbersOf(value as Record<string, unknown>, 'path.') : [];
  });
}

/** The last value on the way to a bound that the schema takes. */
function nearest(can: (to: number) => boolean, value: number, bound: number, step: number): number {
  let [good, wrong] = [value, bound];
  while (Math.abs(wrong - good) > step / 2) {
    const middle = (good + wrong) / 2;
    if (can(Number.isInteger(step) ? Math.round(middle) : middle)) good = middle;
    else wrong = middle;
  }
  return Number.isInteger(step) ? Math.round(good) : Math.round(good * 10) / 10;
}

/** The sheet with one number turned; null where it would be none. @param key as `turnablesOf` names it */
export function turned(spec: SheetSpec, key: string, value: number): SheetSpec | null {
  const [first, second] = key.split('.') as [string, string?];
  const own = spec as unknown as Record<string, object>;
  const raw = { ...spec, [first]: second ? { ...own[first], [second]: value } : value };
  const read = sheetSpecSchema.safeParse(raw);
  return read.success ? read.data : null;
}
