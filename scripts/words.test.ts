import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

/** Patterns that make readers stumble, by name: the words that `voice` retires, and how they are found. */
const PATTERNS: Readonly<Record<string, RegExp>> = {
  'word for report or message': /\b(?:no|a|the|of|send|without) word\b(?! (?:is|of mouth))/i,
  'told, tell of': /\btold\b|\btell of\b/i,
  'till, anew, reckon, whom, nobody': /\b(?:till|anew|reckon\w*|whom|(?:no|some|every)body|once more|goes on|by itself)\b/i,
  'private words':
    /\b(?:knobs?|treads?|nail(?:ed)?|straw line|fence|asleep|rounds? of cards|bench|in the post|yard(?! steps)|logbook|policy lab)\b/i,
  'of it, of ours': /(?<!part )\bof (?:it|ours|yours)\b/i,
  'is no X': /(?<!there )\bis no (?!longer\b)\w+/i,
  British: /\b(?:\w*colour\w*|practis\w+|recognis\w+|judgement|e-mail|cupboard)\b/i,
  'space before %': /[\d}] %/,
};
type Counts = Readonly<Record<string, number>>;

/**
 * Findings that are left, by face. They may only become fewer: lower a number as soon as its strings are rewritten. The
 * English of families and texts has none.
 */
const LEFT: Readonly<Record<'desk' | 'families', Counts>> = { desk: {}, families: {} };

const filesIn = (folder: string, name: RegExp) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => name.test(file) && !/\.test\./.test(file))
    .map((file) => path.join(folder, file));

/** Texts of a file of messages; the names of what is filled in are left out. */
function messagesOf(value: unknown): string[] {
  if (typeof value === 'string') return [value.replace(/\{\w+\}/g, '{}')];
  return Object.values(value as object).flatMap(messagesOf);
}

/** Texts that a component or a file of words shows: JSX text, attributes that people read, and sentences in literals. */
function shownIn(file: string, text = readFileSync(file, 'utf8')): string[] {
  const found: string[] = [];
  const read = ['label', 'aria-label', 'title', 'placeholder', 'legend', 'data-key-says', 'says', 'hint', 'aside', 'button'];
  // One word alone is text only where nothing else can stand; in a literal it may be a code.
  const add = (words: string, least = /[A-Za-z]{2}.*\s.*[A-Za-z]{2}/s) =>
    least.test(words) && found.push(words.replace(/\s+/g, ' ').trim());
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node)) return;
    if (ts.isJsxText(node) || ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node))
      add(node.text, /^(?![\w-]+[.:]).*[A-Za-z]{2}/s);
    if (ts.isJsxAttribute(node) && !read.includes(node.name.getText()) && node.initializer && ts.isStringLiteral(node.initializer)) return;
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) add(node.text);
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX));
  return found;
}

const countsOf = (strings: readonly string[]): Counts =>
  Object.fromEntries(
    Object.entries(PATTERNS)
      .map(([name, pattern]) => [name, strings.filter((words) => pattern.test(words)).length] as const)
      .filter(([, count]) => count > 0),
  );
const examples = (strings: readonly string[]) =>
  Object.entries(PATTERNS).flatMap(([name, pattern]) => strings.filter((words) => pattern.test(words)).map((words) => `${name}: ${words}`));

const messages = (file: string) => messagesOf(JSON.parse(readFileSync(file, 'utf8')));
const FACES = {
  desk: [...messages('messages/desk.en.json'), ...filesIn('src/ui/desk', /\.tsx?$/).flatMap((file) => shownIn(file))],
  families: [...messages('messages/family/en.json'), ...messages('messages/texts/en.json')],
};

describe('the words that people read', () => {
  test('are looked through: text, attributes, templates, and neither code nor class names', () => {
    const code = 'const x = <p className="no word here" title="Told you so">No word yet {`sent ${a} till noon`}</p>;';
    expect(shownIn('x.tsx', code)).toEqual(['Told you so', 'No word yet', 'sent', 'till noon']);
    expect(countsOf(['No word yet', 'Nothing till noon', 'Yard Steps', 'The Yard is full', '27 %'])).toEqual({
      'word for report or message': 1,
      'till, anew, reckon, whom, nobody': 1,
      'private words': 1,
      'space before %': 1,
    });
    expect(FACES.desk.length).toBeGreaterThan(2_000);
  });

  test.each(['desk', 'families'] as const)('of %s hold no more retired words than are left to rewrite', (face) => {
    const counts = countsOf(FACES[face]);
    const more = Object.entries(counts).filter(([name, count]) => count > (LEFT[face][name] ?? 0));
    if (more.length > 0) throw new Error(`${JSON.stringify(counts)}\n${examples(FACES[face]).join('\n')}`);
    // A number that is too high would let new ones in.
    expect(counts).toEqual(LEFT[face]);
  });
});
