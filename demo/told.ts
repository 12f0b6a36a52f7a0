import type { CodeLetters } from '@/core/replies';
import type { RawReport } from '@/core/reports';
import type { Practice } from './family';

/** As the form of a family's page sends it. */
export function asForm(practice: Practice, versionTaskId: number, idempotencyKey: string): RawReport {
  const { done, step, doneOn, left, right, amount, minutes, help, effort, stopReason, hurt, isQuestion, words } = practice;
  const told = { left, right, amount, minutes, help, effort, ...(done ? { done: 'yes', stopReason } : { notDone: stopReason }) };
  return {
    versionTaskId,
    idempotencyKey,
    step,
    doneOn,
    words,
    ...Object.fromEntries(Object.entries(told).filter(([, value]) => value !== null)),
    ...(hurt && { hurt: 'on' }),
    ...(isQuestion && { question: 'on' }),
  };
}

/** As a box of a slip is filled with a pen: "8 N", "L5R4", "X U". What has no letter is not told. */
export function asCell({ done, left, right, amount, help, effort, stopReason }: Practice, letters: CodeLetters): string {
  const letterOf = (codes: Readonly<Record<string, string>>, value: string | null) =>
    Object.keys(codes).find((letter) => codes[letter] === value) ?? '';
  if (!done) return `${letters.notDone} ${letterOf(letters.reasons, stopReason)}`.trim();
  const counted = left === null ? String(amount) : `${letters.left}${left}${letters.right}${right}`;
  // A box is small: how hard it was stands there where nothing is said of help.
  const helped = letterOf(letters.help, help);
  return `${counted} ${helped || letterOf(letters.effort, effort === 'right' ? null : effort)}`.trim();
}

interface Named {
  readonly practice: Practice;
  readonly letter: string | null;
  readonly title: string;
}

/** As it is written on a phone: by letters mostly, by names now and then, with words of its own at the end. */
export function asText(told: readonly Named[], letters: CodeLetters, luck: number): string {
  const parts = told.map(({ practice, letter, title }) => {
    const name = luck < 0.7 && letter ? letter : title;
    return `${name} ${asCell(practice, letters)}`;
  });
  const words = told.find(({ practice }) => practice.words !== '' && practice.done)?.practice.words;
  return [parts.join(luck < 0.35 ? '\n' : ', '), ...(words && luck > 0.6 ? [words] : [])].join('. ');
}
