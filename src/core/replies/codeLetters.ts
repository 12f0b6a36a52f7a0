import type { Effort, StopReason } from '../reports';
import type { HelpLevel } from '../vocabulary';
import { BASE_LANGUAGE, type Language } from '../text';

/**
 * Meaning of a letter as an answer, on a slip and in a text. Our own choice: each is the first letter of its word where that is
 * free, and none of them ever stands for a task in the same language.
 */
export interface CodeLetters {
  readonly help: Readonly<Record<string, HelpLevel>>;
  readonly effort: Readonly<Record<string, Effort>>;
  /** Not done; may be followed by one letter for the reason. */
  readonly notDone: string;
  readonly reasons: Readonly<Record<string, StopReason>>;
  readonly left: string;
  readonly right: string;
  /** Letters of tasks, in the order in which they are given. I and O come last: they look like figures. */
  readonly tasks: string;
}

const ENGLISH: CodeLetters = {
  help: { N: 'alone', W: 'words', S: 'shown', H: 'handOverHand' },
  effort: { T: 'tooHard', J: 'right', Y: 'tooEasy' },
  notDone: 'X',
  reasons: { Z: 'time', U: 'ill', N: 'refused', M: 'missing', T: 'tooHard', P: 'other' },
  left: 'L',
  right: 'R',
  tasks: 'ABCDEFGKQVIO',
};

const SPANISH: CodeLetters = {
  help: { S: 'alone', P: 'words', M: 'shown', N: 'handOverHand' },
  effort: { D: 'tooHard', J: 'right', F: 'tooEasy' },
  notDone: 'X',
  reasons: { T: 'time', E: 'ill', N: 'refused', F: 'missing', D: 'tooHard', Y: 'other' },
  left: 'Z',
  right: 'R',
  tasks: 'ABCGHKLQUVWI',
};

/** The letters of a language; a language without a set of its own uses the English one, with its own words beside it. */
export function codeLettersOf(language: Language): CodeLetters {
  return language === 'es' ? SPANISH : ENGLISH;
}

/**
 * Which letter stands for which task. A task keeps its letter from version to version; a new one takes the first that neither this
 * version nor the one before has, so that a slip or a text of last week never means another task.
 * @param versions the tasks of each version of a program in their order, oldest first
 * @returns the letters of the latest version; a task beyond the last letter has none and goes by its name
 * @example taskLetters([[7, 9], [7, 12]], 'en').get(12) // 'C'
 */
export function taskLetters(versions: readonly (readonly number[])[], language: Language = BASE_LANGUAGE): Map<number, string> {
  const all = [...codeLettersOf(language).tasks];
  let before = new Map<number, string>();
  for (const tasks of versions) {
    const now = new Map([...before].filter(([taskId]) => tasks.includes(taskId)));
    for (const taskId of tasks) {
      if (now.has(taskId)) continue;
      const taken = new Set(now.values());
      const fresh = all.find((letter) => !taken.has(letter) && ![...before.values()].includes(letter));
      // With so many tasks that none is left, one that went is better than none.
      const letter = fresh ?? all.find((each) => !taken.has(each));
      if (letter) now.set(taskId, letter);
    }
    before = now;
  }
  return before;
}
