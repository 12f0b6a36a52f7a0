import type { Suggestion } from '../stepRules';
import { isShape, nextShape, waitsAtImitating, type TaskContent, type TaskSettings } from '../tasks';

/** The marks for which a child has to be near the usual age of copying a shape. */
const OF_COPYING = ['copied', 'remembered'];

/**
 * A step up that would ask a child to copy a shape long before the usual age waits: the ladder is at its end for now, and the school's next
 * shape is offered. Everything else stays as it is.
 * @param ageMonths 0 and above
 */
export function heldByAge(suggestion: Suggestion, content: Pick<TaskContent, 'shape' | 'knobs' | 'ladder'>, ageMonths: number): Suggestion {
  if (suggestion.move !== 'up' || !isShape(content.shape) || !waitsAtImitating(content.shape, ageMonths)) return suggestion;
  const asked = content.ladder.steps[suggestion.toStep - 1]?.grade.markMaking ?? 0;
  const marking = content.knobs.find(({ knob }) => knob === 'markMaking')?.levels[asked]?.usual ?? '';
  if (!OF_COPYING.includes(marking)) return suggestion;
  return { ...suggestion, move: 'ladderEnd', toStep: suggestion.toStep - 1, whatWouldChange: { code: 'older' } };
}

/**
 * Returns the shape that a school's order proposes at the end of a shape's ladder, with that order; null for other tasks, and at
 * the end of the order.
 */
export function proposedShape(
  content: Pick<TaskContent, 'shape' | 'settings'>,
  ...chosen: readonly TaskSettings[]
): { readonly shape: string; readonly order: NonNullable<TaskSettings['shapeOrder']> } | null {
  if (content.shape === undefined) return null;
  const settings = Object.assign({}, content.settings, ...chosen) as TaskSettings;
  const shape = nextShape(settings, content.shape);
  return shape === null ? null : { shape, order: settings.shapeOrder ?? 'strokesFirst' };
}
