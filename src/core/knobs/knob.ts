/** What practitioners turn to make a task easier or harder; the names are the field's, the levels each task's own. */
export const KNOB_IDS = [
  'help',
  'visualCue',
  'markMaking',
  'tool',
  'itemSize',
  'itemCount',
  'hands',
  'inHand',
  'resistance',
  'surface',
  'precision',
  'position',
  'chain',
  'tempo',
  'stakes',
  'texture',
  'material',
] as const;

export type KnobId = (typeof KNOB_IDS)[number];

/** A knob as one task has it. */
export interface TaskKnob {
  readonly knob: KnobId;
  /** Level names, easiest first; at least two. */
  readonly levels: readonly { readonly en: string; readonly es: string }[];
  /** Share of this knob in the demand, above 0; 1 where nothing is said. */
  readonly weight?: number | undefined;
}

/** Where each knob of a task stands: the index of its level, 0 the easiest. */
export type Grade = Readonly<Partial<Record<KnobId, number>>>;
