import { plain } from '../../text';

/** The words of one language by kind, and the patterns that say which of them together tell of harm. */
export interface DangerLexicon {
  readonly language: string;
  /** Words by kind, separated by spaces: `hand/s` may end in s, `itch*` may end in anything, `_` joins the words of a phrase. */
  readonly classes: { readonly [name: string]: string };
  /** Words that a gap never reaches across: what stands behind them is a tool or a place, not what was hurt. */
  readonly block: string;
  /** Words that make what stands behind them a tool: "with her left thumb". */
  readonly tool: string;
  /** Words behind which a body part is a place again: "with a pencil in his eye". */
  readonly into: string;
  /** Words that tie a body part to its state. */
  readonly link: string;
  /** Patterns that a "not" before them denies. */
  readonly rules: readonly string[];
  /** Patterns that no "not" denies: breath and consciousness are worth a look either way. */
  readonly always: readonly string[];
  /** Words that deny what follows them in their clause. */
  readonly not: string;
  /** Words where a sentence turns: what is denied before them is not denied behind them. */
  readonly turns: string;
  /** A denial does not reach across these: "nothing serious just a cut". */
  readonly stops: string;
  /** Denials that deny nothing: "not sure", "would not stop crying". Each begins with its "not". */
  readonly empty: readonly string[];
  /** Figures of speech, taken out first. */
  readonly harmless: readonly string[];
  /** Phrases for the distant past. */
  readonly past: readonly string[];
  /** The adult tells of their own body. */
  readonly adult: readonly string[];
  /** Somebody else than the adult stands in the clause. */
  readonly child: string;
  /** With these a question begins, in which a body part beside any word is no sign. */
  readonly asks: string;
  /** Words about practice: beside a body part that no tool word governs, any other word is worth a look. */
  readonly calm: string;
  /** Tears, fear and refusal: no harm by themselves, and nothing to thank for. */
  readonly distress: readonly string[];
  /** Put before every word: letters that a language writes onto its words. */
  readonly prefix?: string;
}

/** How many words before a sign of harm a "not" still belongs to it. */
const NOT_REACHES = 4;

export interface DangerPatterns {
  readonly language: string;
  readonly denied: RegExp;
  readonly always: RegExp;
  readonly not: RegExp;
  readonly turns: RegExp;
  readonly empty: RegExp;
  readonly harmless: RegExp;
  readonly past: RegExp;
  readonly adult: RegExp;
  readonly child: RegExp;
  readonly distress: RegExp;
  /** A body part. */
  readonly part: RegExp;
  /** Ends with a word for a tool, and at most three behind it. */
  readonly tool: RegExp;
  readonly asks: RegExp;
  readonly calm: RegExp;
}

/**
 * Makes the patterns of a language ready to search a clause with: small letters, no accents, one space before and behind each word.
 * A pattern is a row of places: a `word`, `one|of|these`, a `{class}`, `!{class}` (any word but these), `?word` (may be missing),
 * `..3` (up to three words), `~3` (up to three linking words), `~~3` (one to three of them), `^` and `$` (the clause begins, ends here).
 */
export function patternsOf(lexicon: DangerLexicon): DangerPatterns {
  const { language, not, turns, child } = lexicon;
  const all = (patterns: readonly string[]) => joined(patterns, lexicon);
  return {
    language,
    denied: all(lexicon.rules),
    always: all(lexicon.always),
    not: new RegExp(` ${oneOf(not, lexicon)}(?: (?!${oneOf(lexicon.stops, lexicon)} )[^ ]+){0,${NOT_REACHES - 1}}$`),
    turns: new RegExp(` ${oneOf(turns, { ...lexicon, prefix: '' })} `),
    empty: new RegExp(all(lexicon.empty).source, 'g'),
    harmless: new RegExp(all(lexicon.harmless).source, 'g'),
    past: all(lexicon.past),
    adult: all(lexicon.adult),
    child: new RegExp(` ${oneOf(child, lexicon)}(?= )`),
    distress: all(lexicon.distress),
    part: new RegExp(` ${oneOf(lexicon.classes.part!, lexicon)}(?= )`),
    tool: new RegExp(` ${oneOf(lexicon.tool, lexicon)}(?: (?!${oneOf(lexicon.into, lexicon)} )[^ ]+){0,3}$`),
    asks: new RegExp(`^ ${oneOf(lexicon.asks, lexicon)} `),
    calm: new RegExp(`^(?:\\d+|~|${oneOf([lexicon.calm, lexicon.classes.part, lexicon.block, lexicon.link].join(' '), lexicon)})$`),
  };
}

function joined(patterns: readonly string[], lexicon: DangerLexicon): RegExp {
  return new RegExp(`(?:${patterns.map((pattern) => placesOf(pattern, lexicon)).join('|')})(?= )`);
}

function placesOf(pattern: string, lexicon: DangerLexicon): string {
  const { block, link } = lexicon;
  return pattern
    .split(' ')
    .map((place) => {
      const count = /\d+$/.exec(place)?.[0];
      if (place === '^') return '^';
      if (place === '$') return '(?= $)';
      if (place.startsWith('..')) return `(?: (?!${oneOf(block, lexicon)} )[^ ]+){0,${count}}`;
      if (place.startsWith('~~')) return `(?: ${oneOf(link, lexicon)}){1,${count}}`;
      if (place.startsWith('~')) return `(?: ${oneOf(link, lexicon)}){0,${count}}`;
      if (place.startsWith('?')) return `(?: ${wordsOf(place.slice(1), lexicon)})?`;
      if (place.startsWith('!')) return ` (?!${wordsOf(place.slice(1), lexicon)} )[^ ]+`;
      return ` ${wordsOf(place, lexicon)}`;
    })
    .join('');
}

function wordsOf(place: string, lexicon: DangerLexicon): string {
  const words = place.split('|').map((word) => {
    const name = /^\{(\w+)\}$/.exec(word)?.[1];
    if (name === undefined) return word;
    const found = lexicon.classes[name];
    if (found === undefined) throw new Error(`The danger words of ${lexicon.language} have no class ${name}`);
    return found;
  });
  return oneOf(words.join(' '), lexicon);
}

function oneOf(words: string, { prefix = '' }: DangerLexicon): string {
  const each = plain(words)
    .split(/\s+/)
    .map((word) =>
      word
        .replace(/\*$/, '[^ ]*')
        .replace(/\/([a-z]+)$/, '(?:$1)?')
        .replace(/_/g, ' '),
    );
  return `${prefix}(?:${each.join('|')})`;
}
