import type { CellReading, CodeLetters } from '@/core/replies';
import { words } from '../../shared/deskWords';

/** Describes how a box was read, or its fault, in a few words. */
export function cellWords(reading: CellReading, letters: CodeLetters): string {
  if (reading.kind === 'empty') return '';
  if (reading.kind === 'issue') {
    const { issue } = reading;
    if (issue.code === 'sideOrAll') return `each side or both? ${letters.left}${issue.given}${letters.right}${issue.given}`;
    if (issue.code === 'cellSure')
      return issue.given === 0
        ? 'tried, none done? type 0! · not done? type X'
        : `${issue.given} of ${issue.asked}? if so, type ${issue.given}!`;
    return BOX_ISSUES[issue.code];
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
    ...(reading.isMore ? ['more than the target'] : []),
  ].join(', ');
}

const BOX_ISSUES = {
  cellUnclear: 'not understood',
  cellDanger: 'pain or injury: type it in the comment',
  cellTotal: 'a total: type each day',
  cellNotHalf: 'minutes in halves: 0.5, 1, 1.5',
} as const;
