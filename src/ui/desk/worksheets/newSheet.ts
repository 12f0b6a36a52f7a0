import type { SheetKind, SheetOf } from '@/core/tasks';

/** Defaults of a worksheet of each kind, before anything is changed. */
export const NEW_SHEETS: { readonly [Kind in SheetKind]: SheetOf<Kind> } = {
  strokes: { kind: 'strokes', shape: 'circle', cue: 'dots', sizeMm: 70, count: 2, hasModel: false },
  letters: { kind: 'letters', text: { en: '{child}' }, cue: 'dots', ruling: 'boxes', xHeightMm: 14, rows: 2, hasModel: false },
  road: {
    kind: 'road',
    path: { form: 'wave', bends: 2, radiusMm: 40, bendDegrees: 90 },
    widthMm: 12,
    use: 'cut',
    count: 1,
    onStrip: false,
  },
  snips: { kind: 'snips', marks: 'wide', gapMm: 25, deepMm: 30, count: 2 },
  halfShape: { kind: 'halfShape', sides: 'straight', folds: 1, lengthMm: 120, widthMm: 10, hasCornerDots: true },
  folds: { kind: 'folds', way: 'half', guide: 'band', withinMm: 10 },
  strips: { kind: 'strips', widthMm: 30, lengthMm: 180, count: 6, mark: 'none' },
  glueMarks: { kind: 'glueMarks', marks: 'rings', sizeMm: 16, count: 10, onCurve: false, areNumbered: false },
  countCards: { kind: 'countCards', sum: 30, cards: 6, seed: 1 },
  coloring: { kind: 'coloring', form: 'gate', sizeMm: 100, edgeMm: 3, count: 1, seed: 1 },
  copy: { kind: 'copy', text: { en: 'The crane is up.' }, ruling: 'plain', lineMm: 12, onCard: true },
  around: { kind: 'around', diametersMm: [60], areTouching: false, isHole: false },
  joinDots: { kind: 'joinDots', apartMm: 50, count: 8, dotMm: 6 },
  tokens: { kind: 'tokens', what: 'pairs', sizeMm: 50, count: 8, seed: 1 },
  placemat: { kind: 'placemat' },
  stones: { kind: 'stones', sessions: 5 },
  blank: { kind: 'blank' },
};

/** Roads by the form of their middle. */
export const NEW_ROADS: { readonly [name: string]: SheetOf<'road'>['path'] } = {
  'a straight one': { form: 'straight', lengthMm: 150 },
  'a zigzag': { form: 'zigzag', lengthMm: 150, corners: 3 },
  'one bend': { form: 'arc', lengthMm: 180, radiusMm: 75 },
  bends: { form: 'wave', bends: 2, radiusMm: 40, bendDegrees: 90 },
  'a circle': { form: 'circle', diameterMm: 80 },
  'a spiral': { form: 'spiral', turns: 2, gapMm: 24 },
  'a house': { form: 'house', lengthMm: 400, hasDoor: true, hasChimney: false },
};
