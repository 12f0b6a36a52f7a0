import { FIELD_KNOBS, isFieldKnob, type KnobKey } from '@/core/knobs';
import { SHAPE_ORDERS } from '@/core/tasks';
import { familyWords } from '../../shared/words';

export interface UsualLevel {
  readonly en: string;
  readonly es: string;
  readonly usual: string;
}

/** The knob whose levels are strokes and shapes: schools meet them in different orders. */
export const SHAPE_KNOB: KnobKey = 'own:shape';
const SHAPES = [...SHAPE_ORDERS.strokesFirst, 'letters'] as const;

/** The levels that are usual for a knob, easiest first, with their words in both languages; none for a knob of one's own. */
export function usualLevels(knob: KnobKey): UsualLevel[] {
  if (knob === SHAPE_KNOB) return SHAPES.map((shape) => inBoth(`shapes.${shape}`, shape));
  return isFieldKnob(knob) ? FIELD_KNOBS[knob].usual.map((usual) => inBoth(`levels.${knob}.${usual}`, usual)) : [];
}

function inBoth(path: string, usual: string): UsualLevel {
  const key = path as 'levels.help.alone';
  return { en: familyWords('en')(key), es: familyWords('es')(key), usual };
}
