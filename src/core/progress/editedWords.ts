/** A sentence that is built from figures, by the place that it has in a report: the place stays when its figures change. */
export interface BuiltSentence {
  readonly key: string;
  readonly says: string;
}

/** A paragraph that a person edited, and the built sentences it was edited from. */
export interface KeptWords {
  readonly words: string;
  /** Empty for words that only go after whatever is built. */
  readonly built: readonly BuiltSentence[];
}

export interface ReportPart {
  readonly text: string;
  /** Somebody's own words; all else is built from figures. */
  readonly isOwn: boolean;
}

export interface EditedParagraph {
  readonly parts: readonly ReportPart[];
  /** Built sentences that were taken out or rewritten, as figures make them now. */
  readonly leftOut: readonly string[];
  /** True where a sentence that was rewritten comes out otherwise by now: the own words may tell figures of before. */
  readonly isOvertaken: boolean;
}

/**
 * The paragraph of a report as its writer wants it, over figures that go on changing: where a built sentence was left as it was, it stands with the figures of
 * now; what was taken out stays out; what was written between stays where it stood and is marked.
 * @param built the sentences as figures make them now
 */
export function editedParagraph(built: readonly BuiltSentence[], kept: KeptWords | null): EditedParagraph {
  const whole = built.map(({ says }) => ({ text: says, isOwn: false }));
  if (!kept || kept.words.trim() === '') return { parts: whole, leftOut: [], isOvertaken: false };
  if (kept.built.length === 0) return { parts: [...whole, { text: kept.words.trim(), isOwn: true }], leftOut: [], isOvertaken: false };
  const now = new Map(built.map((sentence) => [sentence.key, sentence.says]));
  const parts: ReportPart[] = [];
  const shown = new Set<string>();
  for (const piece of piecesOf(kept)) {
    if (!piece.key) parts.push({ text: piece.text, isOwn: true });
    else if (now.has(piece.key)) parts.push({ text: now.get(piece.key)!, isOwn: false });
    if (piece.key) shown.add(piece.key);
  }
  const known = new Map(kept.built.map(({ key, says }) => [key, says]));
  // Sentences whose figures are new since the edit.
  parts.push(...built.filter(({ key }) => !known.has(key)).map(({ says }) => ({ text: says, isOwn: false })));
  const leftOut = built.filter(({ key }) => known.has(key) && !shown.has(key));
  return { parts, leftOut: leftOut.map(({ says }) => says), isOvertaken: leftOut.some(({ key, says }) => known.get(key) !== says) };
}

interface Piece {
  readonly text: string;
  /** Key of the built sentence; none for text in between. */
  readonly key: string | null;
}

/** The kept words cut at the built sentences that they still hold, each once and wherever it stands. */
function piecesOf({ words, built }: KeptWords): Piece[] {
  const places = built
    .map(({ key, says }) => ({ key, from: says === '' ? -1 : words.indexOf(says), to: words.indexOf(says) + says.length }))
    .filter(({ from }) => from >= 0)
    .sort((one, other) => one.from - other.from);
  const pieces: Piece[] = [];
  let at = 0;
  for (const { key, from, to } of places) {
    // Two sentences that say the same stand at one place.
    if (from < at) continue;
    pieces.push({ text: words.slice(at, from).trim(), key: null }, { text: words.slice(from, to), key });
    at = to;
  }
  return [...pieces, { text: words.slice(at).trim(), key: null }].filter(({ text }) => text !== '');
}

/** The parts as they are read. */
export function textOf(parts: readonly ReportPart[]): string {
  return parts.map(({ text }) => text).join(' ');
}
