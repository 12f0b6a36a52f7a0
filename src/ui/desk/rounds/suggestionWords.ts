import { type ProgramTask, stepName } from '@/core/program';
import { compareGrades } from '@/core/knobs';
import type { Decision } from '@/core/rounds';
import { knobName } from '../parts/taskWords';

const times = (count: number, what: string) => `${count} ${what}${count === 1 ? '' : 's'}`;

/** What the decision is about, as a title. */
export function decisionTitle(decision: Decision, task: ProgramTask | null): string {
  const step = (number: number) => (task ? `${number}, ${stepName(task.content, number).en}` : String(number));
  switch (decision.kind) {
    case 'safetyWord':
      return 'Something hurt';
    case 'question':
      return 'The family asks';
    case 'tooHard':
      return `Step down to ${step(decision.suggestion!.toStep)}`;
    case 'ready':
      return `Step up to ${step(decision.suggestion!.toStep)}`;
    case 'ladderEnd':
      return 'The top of this ladder';
    case 'quiet':
      return `No word for ${times(decision.days ?? 0, 'day')}`;
    case 'ended':
      return `Ended ${times(decision.days ?? 0, 'day')} ago`;
    case 'ending':
      return `Ends in ${times(decision.days ?? 0, 'day')}`;
    case 'neverOpened':
      return 'The link was never opened';
  }
}

/** The rule's own words: what it counted, by which rule, what would have changed it. */
export function decisionWhy(decision: Decision): { why: string; otherwise: string } {
  const { suggestion } = decision;
  const counts = suggestion?.evidence;
  switch (decision.kind) {
    case 'ready':
    case 'ladderEnd':
      return {
        why: `Streak rule: ${times(counts!.reachedInARow, 'session')} reached in a row, on ${times(counts!.reachedOnDays, 'day')}; ${suggestion!.rule.settings.reachedInARow} on ${suggestion!.rule.settings.onDays} days are asked for.`,
        otherwise:
          decision.kind === 'ladderEnd'
            ? 'There is no harder step: choose a new ladder, or the goal may be reached.'
            : `Would hold if one of the last ${suggestion!.rule.settings.reachedInARow} had not been reached.`,
      };
    case 'tooHard':
      return {
        why: `Streak rule: ${times(counts!.struggledInARow, 'session')} struggled in a row; ${suggestion!.rule.settings.struggledInARow} are asked for. Struggled is under half of the target, said too hard, or stopped upset.`,
        otherwise: 'Would hold if the last one had been reached or partly reached.',
      };
    case 'safetyWord':
      return {
        why: 'A report says that something hurt. Suggestions for this task wait until a person has read it. The family was told to stop and whom to call.',
        otherwise: 'When you mark it read, the task’s suggestions start again.',
      };
    case 'question':
      return { why: 'A report was marked as a question.', otherwise: 'When you write or mark it read, it leaves the round.' };
    case 'quiet':
      return {
        why: 'Nothing has come in by link, paper, text or call. No word is not the same as not done.',
        otherwise: 'A report of any kind settles it.',
      };
    case 'ended':
      return {
        why: 'The family’s page has nothing to ask since then.',
        otherwise: 'Sending the next program settles it; until then it comes back.',
      };
    case 'ending':
      return { why: 'After that day the family’s page has nothing new to ask.', otherwise: 'Sending the next program settles it.' };
    case 'neverOpened':
      return {
        why: `Sent ${times(decision.days ?? 0, 'day')} ago; no link of this family has been opened and no report has come.`,
        otherwise: 'Perhaps the number is wrong, or paper suits this home better.',
      };
  }
}

/** Which knobs move between two steps: "item size: clothes pegs → rope ends". */
export function movedKnobs(task: ProgramTask, fromStep: number, toStep: number): string[] {
  const from = task.content.ladder.steps[fromStep - 1];
  const to = task.content.ladder.steps[toStep - 1];
  if (!from || !to) return [];
  return compareGrades(from.grade, to.grade).moved.map((move) => {
    const levels = task.content.knobs.find((knob) => knob.knob === move.knob)?.levels;
    return `${knobName(task.content.knobs, move.knob)}: ${levels?.[move.from]?.en ?? move.from} → ${levels?.[move.to]?.en ?? move.to}`;
  });
}
