import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

/**
 * Patterns that make readers stumble, by name. A pattern is a search, not a verdict: what is right in spite of it is named in
 * `ALLOWED`, with its reason.
 */
export const PATTERNS: Readonly<Record<string, RegExp>> = {
  'tell, told': /\btold\b|\btell of\b|\btells\b(?! the third)/i,
  'word for report or message': /\b(?:no|a|the|of|send|without) word\b(?! (?:is|of mouth|list))/i,
  'stands for is': /\bstands\b(?! up\b)|\b(?:may|must) stand\b/i,
  'till, anew, reckon, whom, nobody': /\b(?:till|anew|reckon\w*|whom|(?:no|some|every)body|once more)\b/i,
  'of it, of them, of ours':
    /(?<!\b(?:all|any|both|each|either|few|half|many|most|none|one|part|rest|some|third|two|which|\d+) )\bof (?:it|them|ours|yours|its own)\b/i,
  'take/bring/put + particle': /\b(?:take|takes|taken|took|taking|bring|brings|brought|put|puts|putting) (?:in|out|off|over|back|away)\b/i,
  'goes on': /\b(?:goes|going|went) on\b(?! hold)|\bgo on(?=[.,;:!?]|$)/i,
  'is no X': /(?<!there )\b(?:is|are|was) no (?!(?:longer|one|more|\d)\b)\w+/i,
  'good one': /\bgood ones?\b/i,
  'by itself': /\bby (?:itself|themselves)\b/i,
  'private words':
    /\b(?:knobs?|treads?|rungs?|skins|(?:another|this|add|the) skin\b(?!s)(?= away|$)|dress of|nailed|straw line|fence|asleep|twins?|rounds? of cards|bench|in the post|logbook|policy lab|second factor)\b|(?<![./`'_\\-])\byard\b(?![-.=`'\\_:]| steps)/i,
  British: /\b(?:\w*colour\w*|practis\w+|recognis\w+|judgement|licence|cutlery|e-mail|cupboards?|millimetres?)\b/i,
  'headless who/what': /(?:^|(?<=[.!:] ))(?:Who|What|Whom|Whose|Whether)\b(?![^.!]*\?)(?=(?:\s+[\w’'“”-]+){6,})/,
  'two “that” in a sentence': /\bthat\b[^.!?:;]*\bthat\b/i,
  semicolon: /;(?=\s|$)(?! charset)/,
  'space before %': /[\d}] %/,
};

export const filesIn = (folder: string, name: RegExp) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => name.test(file) && !/\.test\./.test(file))
    .map((file) => path.join(folder, file));

/** Texts of a file of messages; the names of what is filled in are left out. */
function messagesOf(value: unknown): string[] {
  if (typeof value === 'string') return [value.replace(/\{\w+\}/g, '{}')];
  return Object.values(value as object).flatMap(messagesOf);
}
export const messages = (file: string) => messagesOf(JSON.parse(readFileSync(file, 'utf8')));

/** Attributes and arguments that people read. */
const READ = ['label', 'aria-label', 'title', 'placeholder', 'legend', 'data-key-says', 'says', 'hint', 'aside', 'button'];

/** Texts that a component or a file of words shows: JSX text, attributes that people read, and sentences in literals. */
export function shownIn(file: string, text = readFileSync(file, 'utf8')): string[] {
  const found: string[] = [];
  // One word alone is text only where nothing else can stand; in a literal it may be a code.
  const add = (words: string, least = /[A-Za-z]{2}.*\s.*[A-Za-z]{2}/s) =>
    least.test(words) && !IS_SQL.test(words) && found.push(words.replace(/\s+/g, ' ').trim());
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node)) return;
    if (ts.isJsxText(node) || ts.isTemplateHead(node) || ts.isTemplateMiddle(node) || ts.isTemplateTail(node))
      add(node.text, /^(?![\w-]+[.:]).*[A-Za-z]{2}/s);
    if (ts.isJsxAttribute(node) && !READ.includes(node.name.getText()) && node.initializer && ts.isStringLiteral(node.initializer)) return;
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) add(node.text);
    ts.forEachChild(node, visit);
  };
  visit(ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS));
  return found;
}
const IS_SQL =
  /\b(?:SELECT|INSERT INTO|UPDATE|DELETE FROM|JOIN|WHERE|CREATE|ALTER|ORDER BY|GROUP BY|VALUES|SET FOREIGN_KEY_CHECKS|GRANT)\b|^body\{/;

/** Sentences of a page of documentation: code, tables of figures, links and addresses are left out. */
export function sentencesIn(file: string): string[] {
  return readFileSync(file, 'utf8')
    .replace(/```[\s\S]*?```/g, '')
    .replace(/`[^`]*`/g, 'CODE')
    .replace(/!?\[([^\]]*)\]\([^)]*\)/g, '$1')
    .split(/\n\s*\n|\n(?=[-*#|] ?)|(?<=[.!?]) +(?=[A-Z])/)
    .map((sentence) =>
      sentence
        .replace(/[#*_>|]/g, ' ')
        .replace(/\s+/g, ' ')
        .trim(),
    )
    .filter((sentence) => /[A-Za-z]{2}/.test(sentence));
}

const library = () =>
  filesIn('library', /^words.en.*\.json$/)
    .flatMap(messages)
    .concat(messages('library/shapes.json'), messages('library/letters.json'));

/** Pages about the code and its tests. Only modern English is asked of them yet. */
const FOR_ENGINEERS = /(?:security|sources|testing|glossary)\.md$/;

/** The texts of each face, as its readers meet them. */
export const FACES = {
  desk: () => [...messages('messages/desk.en.json'), ...filesIn('src/ui/desk', /\.tsx?$/).flatMap((file) => shownIn(file))],
  family: () => [...messages('messages/family/en.json'), ...filesIn('src/ui/family', /\.tsx$/).flatMap((file) => shownIn(file))],
  texts: () => messages('messages/texts/en.json'),
  teacher: () => filesIn('src/ui/teacher', /\.tsx?$/).flatMap((file) => shownIn(file)),
  'server and core': () =>
    ['src/server', 'src/core', 'src/outside', 'src/formats'].flatMap((folder) => filesIn(folder, /\.ts$/)).flatMap((file) => shownIn(file)),
  'command line': () =>
    ['scripts', 'src/main'].flatMap((folder) => filesIn(folder, /(?<!wordRules)\.ts$/)).flatMap((file) => shownIn(file)),
  README: () => sentencesIn('README.md'),
  docs: () =>
    filesIn('docs', /\.md$/)
      .filter((file) => !FOR_ENGINEERS.test(file))
      .flatMap(sentencesIn),
  'docs for engineers': () => filesIn('docs', FOR_ENGINEERS).flatMap(sentencesIn),
  library,
} as const satisfies Record<string, () => string[]>;
export type Face = keyof typeof FACES;

export const hitsOf = (name: string, strings: readonly string[]) => strings.filter((words) => PATTERNS[name]!.test(words));
