import { useState } from 'react';
import type { GoalContent } from '@/core/goals';
import { PLAN_WEIGHTS, type Candidate } from '@/core/planner';
import type { LocalText } from '@/core/text';
import { SKINS } from '@/core/vocabulary';
import { words } from '../../shared/deskWords';
import { KeyCap } from '../parts/KeyCap';
import { leftOutWords, rulesInWords, whyNotWords, whyWords } from './planWords';
import type { Filled, useFillWeek } from './useFillWeek';

interface Props {
  readonly planner: ReturnType<typeof useFillWeek>;
  readonly goals: readonly { readonly goalId: number; readonly content: GoalContent }[];
  /** True till the library has come. */
  readonly waits: boolean;
}

/** The week filled by the planner: why these, why not others, another good one. */
export function FillWeek({ planner, goals, waits }: Props) {
  const { state } = planner;
  return (
    <section aria-label="Fill the week" className="border-b border-line pb-3">
      <button
        type="button"
        className="act"
        disabled={waits || state.kind === 'solving'}
        onClick={planner.fill}
        data-key="f"
        data-key-says="Fill the week"
      >
        {state.kind === 'filled' ? 'Fill again' : 'Fill the week'} <KeyCap>F</KeyCap>
      </button>
      <label className="mt-1 block text-[14px] text-soft">
        Theme{' '}
        <select
          value={planner.wishes.theme ?? ''}
          onChange={(event) => planner.wear(SKINS.find((skin) => skin === event.target.value) ?? null)}
          className="field"
        >
          <option value="">The theme of each task</option>
          {SKINS.map((skin) => (
            <option key={skin} value={skin}>
              {words(`skins.${skin}`)}
            </option>
          ))}
        </select>
      </label>
      <p role="status" className="mt-1 text-[14px]">
        {state.kind === 'solving' && 'Finding the best week…'}
        {state.kind === 'fault' && state.says}
        {state.kind === 'filled' && summary(state.filled)}
        {state.kind === 'idle' && <span className="text-soft">The planner suggests a week. You decide what stays and what is sent.</span>}
      </p>
      {state.kind === 'impossible' && (
        <div role="alert" className="mt-1 border-l-4 border-brick pl-2 text-[14px]">
          No week can keep all of these rules: {rulesInWords(state.rules)}. Change one of them: more minutes or days, another part of the
          session, or one pin fewer.
        </div>
      )}
      {planner.wishes.banned.length > 0 && state.kind !== 'filled' && (
        <button type="button" className="link text-[14px]" onClick={() => planner.allow(planner.wishes.banned[0]!)}>
          Restore the last one removed
        </button>
      )}
      {state.kind === 'filled' && <Reasons planner={planner} filled={state.filled} goals={goals} />}
    </section>
  );
}

function summary({ weeks, at, isChanged }: Filled): string {
  const plan = weeks[at]!;
  if (isChanged) return 'You changed the week since then. The list below is for the week as the planner filled it.';
  const sure =
    plan.gap < 0.0005
      ? 'This is the best match to the goals within the rules.'
      : `The best possible week is at most ${Math.ceil(plan.gap * 100)}% better.`;
  const count = `${plan.placed.length} ${plan.placed.length === 1 ? 'task' : 'tasks'} planned within the rules.`;
  if (at === 0) return `${count} ${sure}`;
  const less = Math.max(0, weeks[0]!.objective - plan.objective) / Math.max(1, weeks[0]!.objective);
  return `${count} Good week ${at + 1}: ${less < 0.005 ? 'as good as the first' : `${Math.round(less * 100)}% less than the first`}.`;
}

interface ReasonsProps {
  readonly planner: Props['planner'];
  readonly filled: Filled;
  readonly goals: Props['goals'];
}

function Reasons({ planner, filled, goals }: ReasonsProps) {
  const [wanted, setWanted] = useState('');
  const plan = filled.weeks[filled.at]!;
  const { tasks, leftOut } = filled.candidates;
  const goalWords = (goalId: number) => goals.find((goal) => goal.goalId === goalId)?.content.statement ?? '';
  const titles = new Map<number, LocalText>([...tasks, ...leftOut].map(({ taskId, title }) => [taskId, title]));
  const placed = plan.placed.map((each) => ({ ...each, task: tasks.find(({ taskId }) => taskId === each.taskId)! }));
  const notPlaced = tasks.filter(({ taskId }) => !plan.placed.some((each) => each.taskId === taskId));
  // Answered ones first.
  const others = [...notPlaced].sort((one, other) => Number(other.taskId in planner.reasons) - Number(one.taskId in planner.reasons));
  const names = { task: (taskId: number) => titles.get(taskId), goal: goalWords };
  const asked = leftOut.find(({ title }) => title.en === wanted);
  return (
    <>
      <p className="mt-1 flex flex-wrap gap-3 text-[14px]">
        <button type="button" className="link" onClick={() => planner.next(filled)} data-key="g" data-key-says="Show another week">
          Show another week <KeyCap>G</KeyCap>
        </button>
      </p>
      <h3 className="mt-2 border-b border-ink text-[15px]">Why these</h3>
      <ul>
        {placed.map(({ taskId, weekdays, task }) => (
          <li key={taskId} className="border-b border-line py-1 text-[14px]">
            <strong>{task.title.en}</strong>,{' '}
            {whyWords(
              { ...reasonsOf(task), days: weekdays.length },
              task.gives.map(({ goal }) => goalWords(filled.options.goals[goal]!.goalId)),
              task.part,
              task.skill,
            )}{' '}
            <Acts title={task.title.en} onBan={() => planner.ban(taskId)} onMore={() => planner.more(taskId)} />
          </li>
        ))}
      </ul>
      <h3 className="mt-2 border-b border-ink text-[15px]">Why not these</h3>
      <ul>
        {others.map(({ taskId, title }) => {
          const why = planner.reasons[taskId];
          const isBanned = planner.wishes.banned.includes(taskId);
          return (
            <li key={taskId} className="border-b border-line py-1 text-[14px]">
              <strong>{title.en}</strong>
              {isBanned ? ': you removed it. ' : why ? `: ${whyNotWords(why, names)} ` : ' '}
              {!why && (
                <button type="button" className="link" onClick={() => planner.ask(filled, taskId)}>
                  Why not?<span className="sr-only"> {title.en}</span>
                </button>
              )}{' '}
              {isBanned && (
                <button type="button" className="link" onClick={() => planner.allow(taskId)}>
                  Restore<span className="sr-only">: {title.en}</span>
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <label className="mt-2 block text-[14px]">
        Why was a task left out?
        <input
          list="left-out"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          className="field mt-0.5 w-full"
          placeholder="A task"
        />
        <datalist id="left-out">
          {leftOut.map(({ taskId, title }) => (
            <option key={taskId} value={title.en} />
          ))}
        </datalist>
      </label>
      <p role="status" className="text-[14px]">
        {asked && leftOutWords(asked.why)}
      </p>
      <details className="mt-1 text-[14px]">
        <summary className="link inline">How was this calculated?</summary>
        <p className="border-l-4 border-line pl-2">
          {filled.candidates.tasks.length} tasks were weighed against all rules at once. A goal that gets all it asks for weighs{' '}
          {PLAN_WEIGHTS.goal}, what is under way {PLAN_WEIGHTS.underWay}, a step that fits {PLAN_WEIGHTS.fit}, what the student likes{' '}
          {PLAN_WEIGHTS.liked}, each skill {PLAN_WEIGHTS.variety}. A task to keep in mind costs {-PLAN_WEIGHTS.task}, a thing to pack{' '}
          {-PLAN_WEIGHTS.pack}, a minute of setting up and tidying up {-PLAN_WEIGHTS.chore}. This week weighs {Math.round(plan.objective)}.
          None can weigh more than {Math.round(plan.bound)}.
        </p>
      </details>
    </>
  );
}

const reasonsOf = ({ isUnderWay, isNew, isLiked, isOfTheme, packs, planned, grip }: Candidate) => ({
  isUnderWay,
  isNew,
  isLiked,
  isOfTheme,
  packs: packs.length,
  step: planned.step,
  heavy: grip.left + grip.right > 0,
});

function Acts({ title, onBan, onMore }: { readonly title: string; readonly onBan: () => void; readonly onMore: () => void }) {
  return (
    <span className="whitespace-nowrap">
      <button type="button" className="link" onClick={onMore}>
        Add a day<span className="sr-only">: {title}</span>
      </button>{' '}
      <button type="button" className="link" onClick={onBan}>
        Remove<span className="sr-only">: {title}</span>
      </button>
    </span>
  );
}
