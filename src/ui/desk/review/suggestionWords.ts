import { type ProgramTask, stepName } from '@/core/programs';
import { compareGrades } from '@/core/knobs';
import { leadsTo } from '@/core/library';
import { proposedShape, type Decision } from '@/core/review';
import { isShape, shapeSlug } from '@/core/tasks';
import type { Suggestion } from '@/core/stepRules';
import { dayAndMonth } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { knobName } from '../parts/taskWords';
import { ruleWords, times } from '../parts/ruleWords';

/** Returns the title of a decision. */
export function decisionTitle(decision: Decision, task: ProgramTask | null): string {
  const step = (number: number) => (task ? `${number}, ${stepName(task.content, number).en}` : String(number));
  switch (decision.kind) {
    case 'safetyWord':
      return 'Something hurt';
    case 'maybeHurt':
      return 'Possible injury';
    case 'unsafe':
      return 'No longer safe for this student';
    case 'unsuitable':
      return 'Needs your safety review';
    case 'handSettled':
      return 'Hand preference is now established';
    case 'flooded':
      return 'The link sent too many reports';
    case 'pressed':
      return '“Something hurt”, pressed by mistake';
    case 'question':
      return 'The family has a question';
    case 'text':
      return 'Text to review';
    case 'comment':
      return decision.reportIds.length === 1 ? 'Comment to read' : `${decision.reportIds.length} comments to read`;
    case 'sentBack':
      return 'The family sent a video or picture';
    case 'tooHard':
      return `Step down to ${step(decision.suggestion!.toStep)}`;
    case 'ready':
      return `Step up to ${step(decision.suggestion!.toStep)}`;
    case 'stuck':
      return `Step ${decision.suggestion!.toStep} did not work before`;
    case 'ladderEnd':
      return 'The top of this ladder';
    case 'quiet':
      return `No report for ${times(decision.days ?? 0, 'day')}`;
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
    case 'stuck':
      return {
        why: `The rule would suggest moving up again: ${times(counts!.reachedInARow, 'session')} in a row met the target. But step ${suggestion!.toStep} was tried ${times(failedTries(suggestion!), 'time')} and ended in a step down.`,
        otherwise:
          'Options: add an in-between step, change something else, ask for more sessions in a row, or check at school. This card returns in two weeks.',
      };
    case 'ready':
    case 'ladderEnd':
      return {
        why: `${ruleWords(suggestion!).why}${asideOf(suggestion!)}`,
        otherwise:
          decision.kind === 'ladderEnd'
            ? suggestion!.whatWouldChange.code === 'older'
              ? 'The next step would ask to copy it, long before the usual age. The ladder waits here for some months.'
              : 'There is no harder step. Choose a new task, or check whether the goal is met. You decide.'
            : ruleWords(suggestion!).otherwise,
      };
    case 'tooHard':
      return ruleWords(suggestion!);
    case 'safetyWord':
      return {
        why: 'The family reported pain or an injury. This task is on hold at home until you reopen it. The family was shown when to call the doctor or the emergency number. Step suggestions for this task are paused.',
        otherwise: 'Marking this as read does not reopen the task. Reopen it, keep it on hold, or remove it.',
      };
    case 'maybeHurt':
      return {
        why: 'The family did not report an injury, but their comment may describe one. This task is on hold at home until you reopen it.',
        otherwise: 'If no one was hurt, reopen the task and say so.',
      };
    case 'unsafe':
      return {
        why: 'Facts about this student changed. A safety rule now blocks this task at a step the family may do. The family’s page does not offer it until you decide.',
        otherwise: 'Remove the task, or send the next program without it. It can wait one day at most.',
      };
    case 'unsuitable':
      return {
        why: 'Facts about this student changed. This task now needs your clinical reason at a step the family may do.',
        otherwise: 'Keep it with your reason, which is saved, or remove it.',
      };
    case 'handSettled':
      return {
        why: 'The program was sent before the hand preference was established. The family’s page already shows the table for this hand.',
        otherwise: 'Targets for each hand stay as they were sent. The next program can ask for the dominant hand only.',
      };
    case 'flooded':
      return {
        why: 'In one day, the family’s link sent more reports than a family can. Later ones were not saved. Someone else may have the link.',
        otherwise: 'Ask the family, then send a new link from the student’s page. It closes this one.',
      };
    case 'text':
      return {
        why: 'This text could not be read automatically. Nothing in it was filed as a report.',
        otherwise: 'Ask the family, or file it by hand. Marking it as read takes it off your list.',
      };
    case 'sentBack':
      return {
        why: 'You asked for a video or picture, and the family sent one. It is not a report, so it is not counted.',
        otherwise: 'Reply or mark it as seen to take it off your list. It is deleted on the date shown.',
      };
    case 'pressed':
      return {
        why: 'The family pressed “Something hurt” and then said it was a mistake. The task stays on hold until you reopen it.',
        otherwise: 'Reopen the task with one key. The family gets a message.',
      };
    case 'comment':
      return {
        why: 'The family wrote a comment with a report. The report is saved. No one has read the comment yet.',
        otherwise: 'Mark as read takes all of these comments off your list.',
      };
    case 'question':
      return { why: 'A report was marked as a question.', otherwise: 'It leaves the review list when you reply or mark it as read.' };
    case 'quiet':
      return {
        why: 'Nothing has come in by link, paper, text or call. No report is not the same as not done.',
        otherwise: 'Any report clears this card.',
      };
    case 'ended':
      return {
        why: 'The family’s page has nothing to ask since then.',
        otherwise: 'Sending the next program clears this card. Until then it comes back.',
      };
    case 'ending':
      return { why: 'After that day the family’s page has nothing new to ask.', otherwise: 'Sending the next program clears this card.' };
    case 'neverOpened':
      return {
        why: `Sent ${times(decision.days ?? 0, 'day')} ago. The family has not opened a link, and no report has come in.`,
        otherwise: 'Perhaps the number is wrong, or paper suits this home better.',
      };
  }
}

/** Adds the facts beside the counts: help that was not reported, refusals. */
function asideOf({ evidence: { helpTold, reachedInARow, refused } }: Suggestion): string {
  const untold = helpTold === undefined ? 0 : reachedInARow - helpTold;
  return [
    ...(untold > 0 ? [` Help was not reported in ${untold} of these sessions.`] : []),
    ...(refused ? [` Refused or upset ${refused === 1 ? 'once' : `${refused} times`} at this step.`] : []),
  ].join('');
}

const failedTries = ({ tries }: Suggestion) => (tries ?? []).filter(({ endedDown }) => endedDown).length;

const ORDINALS = ['First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth', 'Seventh', 'Eighth', 'Ninth', 'Tenth'];

/**
 * Describes the earlier tries at the suggested step: "Fourth try. In the tries at step 4 so far 0 of 7 reached: 15 Oct, 2 Nov, 12
 * Nov." Null where there were none.
 */
export function triesInWords({ suggestion }: Decision): string | null {
  const tries = suggestion?.tries ?? [];
  if (!suggestion || tries.length === 0) return null;
  const sum = (numbers: readonly number[]) => numbers.reduce((total, each) => total + each, 0);
  const [reached, sessions] = [sum(tries.map((each) => each.reached)), sum(tries.map((each) => each.sessions))];
  const which = ORDINALS[tries.length] ?? `Try ${tries.length + 1}`;
  const days = tries.map(({ from }) => dayAndMonth(from)).join(', ');
  return `${which}${ORDINALS[tries.length] ? ' try' : ''}. In the tries at step ${suggestion.toStep} so far ${reached} of ${sessions} reached: ${days}.`;
}

/** Which grading factors change between two steps: "item size: clothes pegs → rope ends". */
export function movedKnobs(task: ProgramTask, fromStep: number, toStep: number): string[] {
  const from = task.content.ladder.steps[fromStep - 1];
  const to = task.content.ladder.steps[toStep - 1];
  if (!from || !to) return [];
  return compareGrades(from.grade, to.grade).moved.map((move) => {
    const levels = task.content.knobs.find((knob) => knob.knob === move.knob)?.levels;
    return `${knobName(task.content.knobs, move.knob)}: ${levels?.[move.from]?.en ?? move.from} → ${levels?.[move.to]?.en ?? move.to}`;
  });
}

/** Describes what follows a ladder: the next shape in the school’s order, or the activity that the task leads to. */
export function afterLadder(task: ProgramTask | null): { readonly words: string; readonly slug: string | null }[] {
  if (!task) return [];
  const next = proposedShape(task.content, task.choices.childSettings ?? {}, task.choices.settings ?? {});
  if (!next) return leadsTo(task.content.slug).map((lead) => ({ words: `Leads to ${lead.words}.`, slug: lead.slug }));
  const order = words(`settings.shapeOrder.${next.order}`);
  const shape = words(`shapes.${next.shape as 'circle'}`);
  return [{ words: `Next in this school’s order (${order}): ${shape}.`, slug: isShape(next.shape) ? shapeSlug(next.shape) : null }];
}
