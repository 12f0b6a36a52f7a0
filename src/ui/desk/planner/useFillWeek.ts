import { useMemo, useState } from 'react';
import {
  anotherWeek,
  candidatesFor,
  draftOfWeek,
  planWeek,
  whyNot,
  wishFor,
  type CandidateOptions,
  type Candidates,
  type PlanRule,
  type PlanInput,
  type WeekPlan,
  type WhyNot,
} from '@/core/planner';
import type { ProgramDraft } from '@/core/programs';
import type { Skin } from '@/core/vocabulary';
import { useSolver } from './useSolver';

const EXPLAINED = 4;

export interface Filled {
  readonly options: PlanInput;
  readonly candidates: Candidates;
  /** Good weeks, the best first; `at` is the one that stands in the draft. */
  readonly weeks: readonly WeekPlan[];
  readonly at: number;
  readonly ends: boolean;
  /** The draft is none of the weeks any more: somebody placed, moved or took out. */
  readonly isChanged?: boolean;
}

type State =
  | { readonly kind: 'idle' | 'solving' }
  | { readonly kind: 'filled'; readonly filled: Filled }
  | { readonly kind: 'impossible'; readonly rules: readonly PlanRule[] }
  | { readonly kind: 'fault'; readonly says: string };

interface Wishes {
  readonly banned: readonly number[];
  readonly moreOf: readonly number[];
  /** The dress that tasks wear this week, where they have it. */
  readonly theme: Skin | null;
}

interface Given {
  readonly facts: Omit<CandidateOptions, 'library' | 'asked'>;
  readonly library: CandidateOptions['library'];
  readonly draft: ProgramDraft;
  readonly place: (draft: ProgramDraft) => void;
}

/** Fills the week, shows other good ones, and answers why a task is not in it. The draft changes only by what is asked for here. */
export function useFillWeek({ facts, library, draft, place }: Given) {
  const solve = useSolver();
  const [state, setState] = useState<State>({ kind: 'idle' });
  const [wishes, setWishes] = useState<Wishes>({ banned: [], moreOf: [], theme: null });
  const [reasons, setReasons] = useState<Readonly<Record<number, WhyNot>>>({});
  const taskOf = useMemo(() => new Map(library.map((task) => [task.taskVersionId, task.taskId])), [library]);
  const pinned = () =>
    Object.fromEntries(
      draft.tasks.flatMap((task) => (task.mark === 'nailed' ? [[taskOf.get(task.taskVersionId) ?? 0, task.weekdays]] : [])),
    );

  const wishNow = (given: Wishes): { options: PlanInput; candidates: Candidates } => {
    const nailed = pinned();
    const ids = Object.keys(nailed).map(Number);
    const underWay = draft.tasks.flatMap((task) => {
      const taskId = taskOf.get(task.taskVersionId);
      return task.mark === 'nailed' && taskId !== undefined ? [{ ...task, taskId }] : [];
    });
    const asGiven = [...underWay, ...facts.underWay.filter(({ taskId }) => !ids.includes(taskId))];
    const candidates = candidatesFor({ ...facts, underWay: asGiven, library, theme: given.theme, asked: [...ids, ...given.moreOf] });
    return { candidates, options: wishFor(facts.child, candidates, { pinned: nailed, banned: given.banned, moreOf: given.moreOf }) };
  };

  const show = (filled: Filled) => {
    setState({ kind: 'filled', filled });
    place(draftOfWeek(draft, filled.weeks[filled.at]!, filled.candidates.tasks, Object.keys(filled.options.pinned).map(Number)));
  };

  const run = async (work: () => Promise<void>) => {
    setState({ kind: 'solving' });
    try {
      await work();
    } catch {
      setState({ kind: 'fault', says: 'The planner did not answer. Nothing was changed. Try again, or place tasks by hand.' });
    }
  };

  const fill = (given: Wishes = wishes) =>
    run(async () => {
      const { options, candidates } = wishNow(given);
      setReasons({});
      const answer = await planWeek(options, solve);
      if (answer.kind === 'week') {
        show({ options, candidates, weeks: [answer.plan], at: 0, ends: false });
        await explain(options, answer.plan, candidates);
      } else if (answer.kind === 'impossible') setState(answer);
      else setState({ kind: 'fault', says: 'No week was found in time. Pin or remove a task, and try again.' });
    });

  /** The first few that are not in it are asked about unasked: those that came nearest. */
  const explain = async (options: PlanInput, plan: WeekPlan, { tasks }: Candidates) => {
    const others = tasks.filter(({ taskId }) => !plan.placed.some((each) => each.taskId === taskId) && !options.banned.includes(taskId));
    const nearest = [...others].sort((one, other) => other.gives.length - one.gives.length || other.fit - one.fit).slice(0, EXPLAINED);
    for (const { taskId } of nearest) {
      const why = await whyNot(options, plan, taskId, solve);
      setReasons((before) => ({ ...before, [taskId]: why }));
    }
  };

  const next = (filled: Filled) =>
    run(async () => {
      if (filled.at + 1 < filled.weeks.length) return show({ ...filled, at: filled.at + 1 });
      if (filled.ends || filled.weeks.length >= 3) return show({ ...filled, at: 0 });
      const other = await anotherWeek(filled.options, filled.weeks, solve);
      show(other ? { ...filled, weeks: [...filled.weeks, other], at: filled.weeks.length } : { ...filled, ends: true, at: 0 });
    });

  const change = (given: Wishes) => {
    setWishes(given);
    void fill(given);
  };
  /** Which of the weeks stands in the draft: by undo it may be an earlier one, by hand none. */
  const seen = (filled: Filled): Filled => {
    const days = (tasks: readonly { readonly taskId: number; readonly weekdays: readonly number[] }[]) =>
      tasks
        .map(({ taskId, weekdays }) => `${taskId}:${weekdays.join()}`)
        .sort()
        .join(' ');
    const now = days(draft.tasks.map((task) => ({ taskId: taskOf.get(task.taskVersionId) ?? 0, weekdays: task.weekdays })));
    const at = filled.weeks.findIndex(({ placed }) => days(placed) === now);
    return at < 0 ? { ...filled, isChanged: true } : { ...filled, at };
  };
  return {
    state: state.kind === 'filled' ? { ...state, filled: seen(state.filled) } : state,
    wishes,
    reasons,
    fill: () => void fill(),
    next: (filled: Filled) => void next(filled),
    ban: (taskId: number) =>
      change({ ...wishes, banned: [...wishes.banned, taskId], moreOf: wishes.moreOf.filter((each) => each !== taskId) }),
    allow: (taskId: number) => change({ ...wishes, banned: wishes.banned.filter((each) => each !== taskId) }),
    wear: (theme: Skin | null) => setWishes({ ...wishes, theme }),
    more: (taskId: number) =>
      change({ ...wishes, banned: wishes.banned.filter((each) => each !== taskId), moreOf: [...wishes.moreOf, taskId] }),
    ask: (filled: Filled, taskId: number) =>
      void whyNot(filled.options, filled.weeks[filled.at]!, taskId, solve).then(
        (why) => setReasons((before) => ({ ...before, [taskId]: why })),
        () => setState({ kind: 'fault', says: 'The planner did not answer. Try again.' }),
      ),
  };
}
