import { dangerIn } from './dangerWords';

/** Why a report closes its task: told by the family, found in its words, or just pressed. */
export const DANGERS = ['told', 'words', 'pressed'] as const;
export type Danger = (typeof DANGERS)[number];

interface Said {
  readonly safetyWord: boolean;
  readonly press: string | null;
  readonly words: string;
  readonly saidBy: string;
}

/** Finds danger in a report: by a tick, by free text in any field, or by a press alone; null where there is none. */
export function dangerOf({ safetyWord, press, words, saidBy }: Said): Danger | null {
  if (press !== null && words === '') return 'pressed';
  if (safetyWord) return 'told';
  return dangerIn(words).length || dangerIn(saidBy).length ? 'words' : null;
}
