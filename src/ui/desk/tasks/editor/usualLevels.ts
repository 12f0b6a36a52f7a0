import { FIELD_KNOBS, KNOB_IDS, type KnobKey } from '@/core/knobs';
import { SHAPE_ORDERS } from '@/core/tasks';
import { BASE_LANGUAGE, TASK_LANGUAGES, type LocalText } from '@/core/text';
import { familyWords, type FamilyWords } from '../../../shared/familyWords';

export type UsualLevel = LocalText & { readonly usual: string };

/** Levels that the editor offers for the knobs of the field and for shapes, with their words in every language. */
export interface UsualKnobs {
  /** Levels by knob, easiest first; none for a knob of one's own. */
  readonly levels: Readonly<Partial<Record<KnobKey, readonly UsualLevel[]>>>;
  readonly shapeName: LocalText;
}

/** The knob whose levels are strokes and shapes: schools meet them in different orders. */
export const SHAPE_KNOB: KnobKey = 'own:shape';
const SHAPES = [...SHAPE_ORDERS.strokesFirst, 'letters'] as const;

/** Made where the page is made, so that the bench need not load every word of every language. */
export async function usualKnobs(): Promise<UsualKnobs> {
  const spoken = await Promise.all(TASK_LANGUAGES.map(familyWords));
  const level = (key: MessageKey, usual: string): UsualLevel => ({ ...inAll(spoken, key), usual });
  const field = KNOB_IDS.map((knob) => [
    knob,
    FIELD_KNOBS[knob].usual.map((usual) => level(`levels.${knob}.${usual}` as MessageKey, usual)),
  ]);
  const shapes = SHAPES.map((shape) => level(`shapes.${shape}`, shape));
  return { levels: Object.fromEntries([...field, [SHAPE_KNOB, shapes]]) as UsualKnobs['levels'], shapeName: inAll(spoken, 'shapeKnob') };
}

type MessageKey = Parameters<FamilyWords['t']>[0];

function inAll(spoken: readonly FamilyWords[], key: MessageKey): LocalText {
  const said = spoken.map(({ language, t }) => [language, t(key as 'shapeKnob')]);
  return { [BASE_LANGUAGE]: '', ...Object.fromEntries(said) } as LocalText;
}
