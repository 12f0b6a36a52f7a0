import { LEXICONS } from './lexicon';
import type { AskBack, ReplyItem } from './reading';
import { readReply, type ReplyContext } from './readReply';
import { readable } from './readable';
import { wordsOf } from './tokens';

/**
 * Reads what came back on a question of ours: a number of the choice, a count, a letter. Null where it says anything else: it is read
 * as a reply of its own then. Words of danger are for `readReply` to find first.
 * @example readAnswer({ code: 'sideOrAll', item, given: 5 }, '1', context) // [{ left: 5, right: 5, … }]
 */
export function readAnswer(ask: AskBack, text: string, context: ReplyContext): ReplyItem[] | null {
  const words = wordsOf(text);
  if (words.length === 0 || words.length > 4) return null;
  const number = numberIn(words);
  if (ask.code === 'sideOrAll') {
    if (number === 1 || /\b(each|cada)\b/.test(readable(text))) return [{ ...ask.item, left: ask.given, right: ask.given }];
    return number === 2 || /\b(all|total)\b/.test(readable(text)) ? [{ ...ask.item, amount: ask.given }] : null;
  }
  // Read as if the task had been named with it: the same limits hold.
  const taskId = ask.code === 'howMany' ? ask.item.taskId : ask.code === 'whichTask' ? namedIn(text, context) : null;
  const task = context.tasks.find((each) => each.taskId === taskId);
  if (!task) return null;
  const said = ask.code === 'howMany' ? text : ask.code === 'whichTask' ? String(ask.given) : '';
  const read = readReply(`${TITLE} ${said}`, { ...context, tasks: [{ ...task, letter: null, titles: [TITLE] }] });
  const [item] = read.items;
  if (read.kind !== 'reports' || read.items.length !== 1 || !item) return null;
  const known = ask.code === 'howMany' ? ask.item : null;
  const doneOn = ask.code === 'whichTask' ? ask.doneOn : (known?.doneOn ?? item.doneOn);
  return [{ ...item, doneOn, help: item.help ?? known?.help ?? null, effort: item.effort ?? known?.effort ?? null }];
}

/** A name that no word of a reply resembles. */
const TITLE = 'qqtaskqq';

function numberIn(words: readonly string[]): number | null {
  const [word] = words.length === 1 ? words : [];
  if (word === undefined) return null;
  const meaning = LEXICONS.en.phrases.get(word) ?? LEXICONS.es.phrases.get(word);
  return /^\d+$/.test(word) ? Number(word) : meaning?.is === 'number' ? meaning.value : null;
}

/** The one task that a letter or a name alone names. */
function namedIn(text: string, context: ReplyContext): number | null {
  const { named } = readReply(text, context);
  return named.length === 1 ? named[0]! : null;
}
