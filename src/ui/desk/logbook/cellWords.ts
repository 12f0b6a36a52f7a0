import type { CellReading, CodeLetters } from '@/core/replies';
import { words } from '../../shared/deskWords';

/** What a box was read as, or what is wrong with it, in a few words. */
export function cellWords(reading: CellReading, letters: CodeLetters): string {
  if (reading.kind === 'empty') return '';
  if (reading.kind === 'issue') {
    const { issue } = reading;
    if (issue.code === 'sideOrAll') return `each side or both? ${letters.left}${issue.given}${letters.right}${issue.given}`;
    return issue.code === 'cellDanger' ? 'harm: write it under the words' : 'not understood';
  }
  const { done, left, right, amount, minutes, help, effort, stopReason } = reading.item;
  if (!done) return ['not done', ...(stopReason ? [words(`stops.${stopReason}`)] : [])].join(', ');
  const counts = [
    ...(left === null ? [] : [`left ${left}`]),
    ...(right === null ? [] : [`right ${right}`]),
    ...(amount === null ? [] : [String(amount)]),
  ];
  return [
    counts.join(' ') || 'done, not counted',
    ...(minutes === null || minutes === undefined ? [] : [`${minutes} min`]),
    ...(help ? [words(`helps.${help}`)] : []),
    ...(effort ? [words(`efforts.${effort}`)] : []),
    ...(reading.isMore ? ['more than asked'] : []),
  ].join(', ');
}
