import type { ProgramTask } from '@/core/programs';
import { answersOf, actionNeedsLead, isOfStop, silenceActionsOf, type Decision, type SilenceAction } from '@/core/review';
import type { DecisionInFull } from '@/server/review/viewReview';
import { words } from '../../shared/deskWords';
import type { ReviewAct, StopChoices } from './reviewAct';

/** Returns the steps to choose from when a task is reopened: those up to the present one. */
export function stopChoices({ task, mayChange }: DecisionInFull): StopChoices {
  const steps = (task?.content.ladder.steps ?? []).slice(0, task?.step ?? 0).map((step) => step.name.en);
  return { mayLift: mayChange, steps };
}

/** First ideas where a step was tried in vain: each one key, with its own words as the reason that is stored. */
const WAYS_OUT: readonly ReviewAct[] = [
  { key: 'm', answer: 'hold', words: 'More in a row first', followed: true, reason: 'More in a row first' },
  { key: 'k', answer: 'hold', words: 'Another grading factor', followed: true, reason: 'Another grading factor' },
  { key: 's', answer: 'hold', words: 'Check at school', followed: true, reason: 'Check at school' },
];

const SILENCE_KEYS: Readonly<Record<SilenceAction, string>> = {
  sentAgain: 's',
  newLink: 'n',
  onPaper: 'p',
  called: 'a',
  askedTeacher: 't',
  paused: 'u',
  ended: 'e',
  leftIt: 'h',
};

/** The acts that make sense here, each with its key; what follows the suggestion comes first. */
export function actsFor(decision: Decision, task: ProgramTask | null, mayChange: boolean): ReviewAct[] {
  const suggestion = decision.suggestion;
  const step = task?.step ?? 0;
  const last = task?.content.ladder.steps.length ?? 0;
  const acts: ReviewAct[] = [];
  if (isOfStop(decision.kind)) {
    const seen: ReviewAct = { key: 'r', answer: 'seen', words: 'Mark as read (task stays on hold)', followed: true };
    return decision.kind === 'pressed' && mayChange
      ? [{ key: 'o', answer: 'lifted', words: 'Reopen the task', followed: true }, seen]
      : [seen];
  }
  if (decision.kind === 'unsafe') return [];
  if (decision.kind === 'unsuitable') return [{ key: 'h', answer: 'hold', words: 'Leave it, with a reason', followed: false }];
  if (decision.kind === 'question' || decision.kind === 'text' || decision.kind === 'comment' || decision.kind === 'sentBack')
    acts.push({ key: 'r', answer: 'read', words: decision.kind === 'sentBack' ? 'I have looked at it' : 'Mark as read', followed: true });
  if (task && mayChange) {
    if (step < last) acts.push({ key: 'u', answer: 'up', words: `Step up to ${step + 1}`, followed: suggestion?.move === 'up' });
    if (suggestion && decision.kind !== 'ladderEnd') acts.push({ key: 'h', answer: 'hold', words: `Hold at ${step}`, followed: false });
    if (step > 1) acts.push({ key: 'd', answer: 'down', words: `Step down to ${step - 1}`, followed: suggestion?.move === 'down' });
  }
  if (decision.kind === 'stuck') return [...WAYS_OUT, ...acts.filter(({ answer }) => answer !== 'hold')];
  const silenceActions = silenceActionsOf(decision.kind);
  if (silenceActions.length) {
    return silenceActions
      .filter((silenceAction) => mayChange || !actionNeedsLead(silenceAction))
      .map((silenceAction) => ({
        key: SILENCE_KEYS[silenceAction],
        answer: 'hold',
        words: words(`silenceActions.${silenceAction}`),
        followed: true,
        silenceAction,
      }));
  }
  if (!suggestion || decision.kind === 'ladderEnd') {
    if (acts[0]?.answer !== 'read') acts.push({ key: 'h', answer: 'hold', words: 'Leave it as it is', followed: true });
  }
  return acts.filter(({ answer }) => answersOf(decision.kind).includes(answer)).sort((a, b) => Number(b.followed) - Number(a.followed));
}
