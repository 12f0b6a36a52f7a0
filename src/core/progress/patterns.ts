/** Fields that a wording pattern can hold, in braces. */
export const PATTERN_FIELDS = ['child', 'goal', 'first', 'last', 'asked', 'review', 'standing'] as const;
export type PatternField = (typeof PATTERN_FIELDS)[number];
export type PatternValues = Readonly<Record<PatternField, string>>;

/** A pattern with its fields filled; braces around anything else stay as they are. */
export function fillPattern(pattern: string, values: PatternValues): string {
  return pattern.replace(/\{(\w+)\}/g, (whole, name: string) => (isField(name) ? values[name] : whole));
}

/**
 * Turns a person's words about one student into a pattern for others: the student's name becomes a field, so that no name is stored
 * in it.
 * @param calledName whole words of it are replaced
 */
export function patternOf(words: string, calledName: string): string {
  const name = calledName.trim();
  if (name === '') return words;
  const escaped = name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  // Not \b, which knows no letters but those of English.
  return words.replace(new RegExp(`(?<![\\p{L}\\p{M}\\p{N}])${escaped}(?![\\p{L}\\p{M}\\p{N}])`, 'gu'), '{child}');
}

const isField = (name: string): name is PatternField => (PATTERN_FIELDS as readonly string[]).includes(name);
