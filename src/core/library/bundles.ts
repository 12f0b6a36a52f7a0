/** Sets of five stock tasks for a common beginning. Common practice, no source. */
export const BUNDLES = [
  {
    id: 'fistGrip',
    words: 'ages 3 to 4, fist grip',
    slugs: ['stamp-the-crates', 'fill-the-stencil', 'roll-to-the-gate', 'wet-the-cement', 'wall-painter'],
  },
  {
    id: 'mouthsThings',
    words: 'puts things in the mouth',
    slugs: ['beam-walks', 'roll-to-the-gate', 'roll-the-plan', 'star-beams', 'rag-bin'],
  },
  {
    id: 'handUnsettled',
    words: 'hand not settled',
    slugs: ['one-hand-jobs', 'lead-and-hold', 'pass-the-bricks', 'load-the-lorry', 'which-hand-foreman'],
  },
  {
    id: 'firstSnips',
    words: 'before and at first snips',
    slugs: ['clip-the-plans', 'crane-lift', 'pump-and-place', 'tear-on-the-line', 'broom-fringe'],
  },
  {
    id: 'shapesToLetters',
    words: 'shapes to letters',
    slugs: ['shape-circle', 'draw-round-the-parts', 'fill-the-stencil', 'wet-cement-bag', 'letters-upper-straight'],
  },
  {
    id: 'fasteners',
    words: 'zipper and buttons',
    slugs: ['work-vest-zip', 'vest-buttons', 'pop-the-valves', 'slot-box', 'pocket-the-washers'],
  },
  { id: 'bow', words: 'a bow in sight', slugs: ['lace-the-frame', 'rope-work', 'tie-the-tool-roll', 'twist-the-cable', 'boot-laces'] },
  {
    id: 'pressure',
    words: 'presses too light or too hard',
    slugs: ['press-and-print', 'eraser-crew', 'soft-line-hard-line', 'glue-dots', 'wet-brick-lift'],
  },
  { id: 'tires', words: 'tires at the desk', slugs: ['wall-push', 'under-the-truck', 'beam-walks', 'wheelbarrow-walk', 'drum-tower'] },
  { id: 'lunchRoom', words: 'lunch room', slugs: ['lunch-kit', 'lid-works', 'spread-the-mortar', 'fork-lift', 'level-load'] },
  { id: 'desk', words: 'desk work, ages 8 to 10', slugs: ['site-report', 'tally-sheet', 'job-folder', 'shade-the-drums', 'awning'] },
] as const;

export type BundleId = (typeof BUNDLES)[number]['id'];
