import type { OutlineFinding, SheetDifficulty, SheetIssue, Turnable } from '@/core/worksheets';
import type { SheetKind } from '@/core/tasks';

export const KIND_NAMES: Readonly<Record<SheetKind, string>> = {
  strokes: 'strokes and shapes',
  letters: 'letters',
  road: 'a path to cut, tear or trace',
  snips: 'a strip for snips',
  halfShape: 'a half shape on the fold',
  folds: 'a sheet to fold',
  strips: 'strips and tiles',
  glueMarks: 'glue marks, pieces and holes',
  countCards: 'count cards',
  coloring: 'something to color',
  copy: 'a text to copy',
  around: 'objects to trace',
  joinDots: 'dots to connect',
  tokens: 'cards to cut out',
  placemat: 'a placemat: the table from above',
  stones: 'stepping stones for the fridge',
  blank: 'a blank sheet',
};

const TURNABLE_NAMES: Readonly<Record<string, string>> = {
  widthMm: 'width',
  endWidthMm: 'width at the end',
  sizeMm: 'size',
  xHeightMm: 'height of the middle zone',
  lineMm: 'line height',
  edgeMm: 'edge',
  gapMm: 'between snips',
  deepMm: 'how deep',
  lengthMm: 'length',
  notchMm: 'notch',
  everyMm: 'width of a fold',
  withinMm: 'edges meet within',
  apartMm: 'apart',
  dotMm: 'dot',
  count: 'how many',
  rows: 'rows',
  cards: 'cards',
  sum: 'sum of the cards',
  sessions: 'sessions',
  'path.lengthMm': 'length',
  'path.radiusMm': 'radius of the bend',
  'path.diameterMm': 'across',
  'path.gapMm': 'between the turns',
  'path.turns': 'turns',
  'path.bends': 'bends',
  'path.bendDegrees': 'how far each bends',
  'path.corners': 'corners',
};

export const turnableName = (key: string) => TURNABLE_NAMES[key] ?? key;

const rounded = (value: number, digits = 1) => String(Math.round(value * 10 ** digits) / 10 ** digits);

export const valueWords = ({ unit }: Pick<Turnable, 'unit'>, value: number) =>
  unit === 'mm' ? `${rounded(value)} mm` : unit === 'degrees' ? `${rounded(value, 0)}°` : rounded(value);

/** How hard a sheet is, in one number that can be pictured; null where nothing on it has a difficulty of its own. */
export function difficultyWords({ roadWidths, aimBits }: SheetDifficulty): string | null {
  if (roadWidths !== null) return `${rounded(roadWidths)} times as long as wide (path difficulty)`;
  return aimBits === null ? null : `${rounded(aimBits)} bits per target`;
}

/** Explains how the number was calculated. */
export function difficultyHow({ roadWidths, lengthMm, evenWidthMm, turnMm, aimBits }: SheetDifficulty): string | null {
  if (roadWidths !== null)
    return `${rounded(lengthMm! / 10)} cm of path. As hard as a straight path of that length, ${rounded(evenWidthMm!)} mm wide: length over width, summed along the path (steering law, Accot & Zhai 1997).${turnMm === 0 ? ' It has corners.' : turnMm === Infinity ? '' : ` Its tightest turn has a radius of ${rounded(turnMm!)} mm.`}`;
  return aimBits === null
    ? null
    : `${rounded(aimBits)} bits are the mean of log2(distance over width, and 1) from each mark to the next (Fitts’s law, Shannon form, MacKenzie 1992).`;
}

/** The number of a sheet by which steps are set beside each other. */
export const difficultyNumber = ({ roadWidths, aimBits }: SheetDifficulty) => roadWidths ?? aimBits;

export function issueWords(issue: SheetIssue): string {
  switch (issue.code) {
    case 'doesNotFit':
      return `This is ${issue.neededMm.map((mm) => Math.ceil(mm)).join(' × ')} mm. The paper has room for ${issue.roomMm.map((mm) => Math.floor(mm)).join(' × ')}. Make it smaller, or take the other paper.`;
    case 'noStrokes':
      return `There are no strokes for ${issue.letters}. Write it with other letters, or by hand.`;
    case 'unknownShape':
      return `There are no strokes for a shape “${issue.shape}”.`;
    case 'tooManyPages':
      return `That would be ${issue.pages} pages. A worksheet can have ${issue.most}. Make it smaller, or fewer.`;
    case 'nothingDrawn':
      return 'Nothing is left to draw.';
  }
}

export function findingWords(finding: OutlineFinding): string {
  const at = `at ${Math.round(finding.at[0])} mm from the left, ${Math.round(finding.at[1])} mm from the top`;
  switch (finding.code) {
    case 'crossesItself':
      return `It crosses itself ${at}: it falls apart when cut.`;
    case 'tooSharp':
      return `A corner of ${Math.round(finding.degrees)}° ${at}: child scissors cannot cut this turn. Cut in from both sides, or round it.`;
    case 'tooNear':
      return `Two parts are ${rounded(finding.mm)} mm apart ${at}: the paper between them tears.`;
  }
}

const FAULTS: Readonly<Record<string, string>> = {
  tooLarge: 'The file is larger than 200 kB. Save the outline alone.',
  notSvg: 'This is not an SVG file, or it is damaged.',
  declares: 'The file contains declarations. Save it as plain SVG.',
  element: 'Only paths are taken',
  attribute: 'Only plain paths are taken',
  noPath: 'It has no paths. Convert shapes and text to paths, and save it again.',
  severalPaths: 'There is more than one path in it. Save one outline alone.',
  severalParts: 'The path has several parts. Save one outline alone.',
  badPath: 'The path can’t be read.',
  tooFewPlaces: 'That is a single point, not an outline.',
  tooManyPlaces: 'The outline has too many points. Simplify it.',
};

export const faultOfFile = ({ code, what }: { readonly code: string; readonly what?: string }) =>
  what ? `${FAULTS[code] ?? code}: “${what}” is not allowed. Remove it.` : (FAULTS[code] ?? code);
