/**
 * Activity that a stock task's ladder leads to once its last step is held: in the therapist's words, with the task that continues
 * from there.
 */
export interface Lead {
  readonly words: string;
  readonly slug: string;
}

/** Keyed by the task's slug. Common practice, no source. Shapes follow the school's order instead. */
const LEADS: Readonly<Record<string, readonly Lead[]>> = {
  'slot-box': [{ words: 'buttons', slug: 'vest-buttons' }],
  'wind-the-hoist': [{ words: 'lids', slug: 'lid-works' }],
  'pop-the-valves': [{ words: 'snaps', slug: 'snap-the-pockets' }],
  'lace-the-frame': [{ words: 'a bow', slug: 'tie-the-tool-roll' }],
  'draw-round-the-parts': [
    { words: 'the ruler', slug: 'job-folder' },
    { words: 'the helper hand in cutting', slug: 'cut-the-planks' },
  ],
  'tear-on-the-line': [{ words: 'first snips', slug: 'broom-fringe' }],
  'tear-the-tiles': [{ words: 'first snips', slug: 'broom-fringe' }],
  'clip-the-plans': [{ words: 'first snips', slug: 'broom-fringe' }],
  'copy-the-build': [{ words: 'copying from the board', slug: 'order-form' }],
};

/** Returns the activities that a task leads to; empty where none is listed. */
export function leadsTo(slug: string): readonly Lead[] {
  return LEADS[slug] ?? [];
}
