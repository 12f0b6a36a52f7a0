import { SHAPE_ORDERS, type TaskSettings } from './settings';
import type { TaskContent } from './taskContent';

/**
 * Usual ages in months at which a shape is imitated and copied. From memory; published norms differ, and a child is no norm.
 */
export const SHAPE_AGES = {
  vertical: { imitate: 24, copy: 36 },
  horizontal: { imitate: 30, copy: 36 },
  circle: { imitate: 30, copy: 36 },
  cross: { imitate: 42, copy: 48 },
  bracket: { imitate: 42, copy: 51 },
  cCurve: { imitate: 42, copy: 54 },
  uCurve: { imitate: 42, copy: 54 },
  slantLeft: { imitate: 45, copy: 54 },
  slantRight: { imitate: 48, copy: 54 },
  square: { imitate: 48, copy: 57 },
  nCurve: { imitate: 48, copy: 57 },
  zigzag: { imitate: 51, copy: 60 },
  wave: { imitate: 51, copy: 60 },
  x: { imitate: 54, copy: 60 },
  rectangle: { imitate: 54, copy: 60 },
  spiral: { imitate: 54, copy: 63 },
  triangle: { imitate: 57, copy: 66 },
  star: { imitate: 60, copy: 69 },
  loops: { imitate: 63, copy: 72 },
  overlap: { imitate: 66, copy: 75 },
  house: { imitate: 66, copy: 75 },
  diamond: { imitate: 72, copy: 84 },
} as const satisfies Readonly<Record<string, { readonly imitate: number; readonly copy: number }>>;

export type ShapeId = keyof typeof SHAPE_AGES;

/** The slug of a shape's stock task: "shape-c-curve". */
export function shapeSlug(shape: ShapeId): string {
  return `shape-${shape.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`)}`;
}

/** Months before the usual age of copying a shape at which it is asked for from a model at the earliest. Common practice, no source. */
const MONTHS_BEFORE_COPYING = 6;

export function isShape(id: string | undefined): id is ShapeId {
  return id !== undefined && id in SHAPE_AGES;
}

/**
 * The shape whose ladder comes next in a school's order; null where the order ends, or does not know the shape.
 * @param shape the one whose ladder is at its end, or waits
 * @example nextShape({ shapeOrder: 'circleFirst' }, 'circle') // 'cross'
 */
export function nextShape({ shapeOrder = 'strokesFirst', freeShapes = [] }: TaskSettings, shape: string): string | null {
  const order: readonly string[] = shapeOrder === 'free' ? freeShapes : SHAPE_ORDERS[shapeOrder];
  const place = order.indexOf(shape);
  return place < 0 ? null : (order[place + 1] ?? null);
}

/**
 * True where a child is so much younger than the usual age of copying a shape that its ladder waits at imitating it, and the next shape is
 * offered meanwhile.
 * @param ageMonths 0 and above
 * @example waitsAtImitating('diamond', 60) // true: copied at about 84 months
 */
export function waitsAtImitating(shape: ShapeId, ageMonths: number): boolean {
  return ageMonths < SHAPE_AGES[shape].copy - MONTHS_BEFORE_COPYING;
}

/** How a mark is made that a child of this age begins with: past the usual age of copying it copies, past that of imitating it imitates. */
function firstMarking(shape: ShapeId, ageMonths: number): 'traced' | 'imitated' | 'copied' {
  const { imitate, copy } = SHAPE_AGES[shape];
  return ageMonths >= copy ? 'copied' : ageMonths >= imitate ? 'imitated' : 'traced';
}

/**
 * The step at which a child of an age begins: for a shape the first that asks for the marks it is old enough for, else the task's own.
 * @param ageMonths 0 and above
 */
export function firstStepAt({ shape, knobs, ladder }: Pick<TaskContent, 'shape' | 'knobs' | 'ladder'>, ageMonths: number): number {
  if (!isShape(shape)) return ladder.startStep;
  const wanted = firstMarking(shape, ageMonths);
  const level = knobs.find(({ knob }) => knob === 'markMaking')?.levels.findIndex(({ usual }) => usual === wanted) ?? -1;
  const step = ladder.steps.findIndex(({ grade }) => grade.markMaking === level);
  return step < 0 ? ladder.startStep : step + 1;
}
