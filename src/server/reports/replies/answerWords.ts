import { codeLettersOf, type AskBack, type ReplyItem } from '@/core/replies';
import { languageOf } from '@/core/text';
import { replyWords } from '../../messages/textWords';
import type { AskedByText } from './replyTasks';

type Say = Awaited<ReturnType<typeof replyWords>>;

const MOST_LISTED = 6;

/** Confirms what was stored, so that the family sees at once whether it was read as meant. */
export async function savedWords(
  language: string,
  items: readonly ReplyItem[],
  tasks: readonly AskedByText[],
  hasComment: boolean,
): Promise<string> {
  const say = await replyWords(language);
  const parts =
    items.length === tasks.length && items.length > 1 && new Set(items.map((item) => amountWords(item, say))).size === 1
      ? [say('item', { task: say('allTasks'), amount: amountWords(items[0]!, say) })]
      : items.map((item) => say('item', { task: titleOf(item.taskId, tasks), amount: amountWords(item, say) }));
  const what = parts.join(', ');
  // No thanks for free text that nobody has read yet: it may tell of tears.
  if (hasComment) return say('savedComment', { what });
  return say(items.some(({ done }) => done) ? 'saved' : 'savedNone', { what });
}

function amountWords({ done, left, right, amount }: ReplyItem, say: Say): string {
  if (!done) return say('notDone');
  const sides = [left !== null && say('left', { amount: left }), right !== null && say('right', { amount: right })].filter(Boolean);
  if (sides.length > 0) return sides.join(' ');
  return amount === null ? say('done') : String(amount);
}

/** Asks back, with a short choice. */
export async function askWords(language: string, ask: AskBack, tasks: readonly AskedByText[]): Promise<string> {
  const say = await replyWords(language);
  switch (ask.code) {
    case 'sideOrAll':
      return say('sideOrAll', { task: titleOf(ask.item.taskId, tasks), given: ask.given });
    case 'howMany':
      return say('howMany', { task: titleOf(ask.item.taskId, tasks) });
    case 'whichTask':
      return say('whichTask', { given: ask.given, list: listWords(tasks, say) });
    case 'unclear':
      return say('unclear', { example: exampleOf(language, tasks) });
  }
}

/** "A Star beams, B Crane lift" */
export function listWords(tasks: readonly AskedByText[], say: Say): string {
  return tasks
    .slice(0, MOST_LISTED)
    .map(({ letter, title }) => (letter ? say('list', { letter, task: title }) : title))
    .join(', ');
}

/** How a reply may look, in letters, with what is asked of the first two tasks: "A8 BL5R5". */
export function exampleOf(language: string, tasks: readonly AskedByText[]): string {
  const { left, right } = codeLettersOf(languageOf(language));
  return tasks
    .filter(({ letter, perDay }) => letter !== null && perDay > 0)
    .slice(0, 2)
    .map(({ letter, perSide, perDay, perHand }) => (perSide ? `${letter}${left}${perHand}${right}${perHand}` : `${letter}${perDay}`))
    .join(' ');
}

function titleOf(taskId: number, tasks: readonly AskedByText[]): string {
  return tasks.find((task) => task.taskId === taskId)?.title ?? '';
}
