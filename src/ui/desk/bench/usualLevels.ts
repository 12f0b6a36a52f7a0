import type { KnobId } from '@/core/knobs';
import { familyWords } from '../../shared/words';

/** One of the field's usual levels, with its words in both languages. */
export function usualLevel(knob: KnobId, usual: string): { en: string; es: string; usual: string } {
  const key = `levels.${knob}.${usual}` as 'levels.help.alone';
  return { en: familyWords('en')(key), es: familyWords('es')(key), usual };
}
