import type { Dispatch, ReactNode } from 'react';
import { doseAt, type Dose } from '@/core/dose';
import { demandsOf, contentFor, replacedAt, type PlannedTask } from '@/core/programs';
import { factsOf, type Child } from '@/core/students';
import type { CalendarDay } from '@/core/calendar';
import type { TaskContent } from '@/core/tasks';
import { SmallTimeline } from '../../stepTimeline/TimelineDrawing';
import { WEEKDAYS } from '../../shared/days';
import { doseSentence, hiddenPractice } from '../parts/doseWords';
import { amountIn, amountWords, TARGETS, withAmount } from '../parts/targets';
import { TaskDescription } from '../parts/TaskDescription';
import { TaskChoiceFields } from './TaskChoiceFields';
import { atOtherStep, minutesInWords, withDoseAtStep, withNewer, type DraftEdit, type LibraryTask } from './draftEdits';

/** How long one repetition takes this child, where sessions have told it. */
export interface ChildPace {
  readonly taskId: number;
  readonly secondsEach: number;
  readonly sessions: number;
}

interface Props {
  readonly planned: PlannedTask;
  readonly task: LibraryTask;
  readonly index: number;
  readonly child: Child;
  readonly today: CalendarDay;
  /** Something hurt at it: it stays closed for the family till the stop is lifted in Rounds. */
  readonly isClosed: boolean;
  readonly pace: ChildPace | undefined;
  /** The library's newest version, where another is placed. */
  readonly newer: LibraryTask | undefined;
  readonly edit: Dispatch<DraftEdit>;
  /** Folded, a task is one line. */
  readonly isOpen: boolean;
  readonly toggle: () => void;
  readonly children: ReactNode;
}

/** A placed task: its step, the steps that the family may choose, its dose written out, its days, and its faults. */
export function PlannedRow({ planned, task, index, child, today, isClosed, pace, newer, edit, isOpen, toggle, children }: Props) {
  const facts = factsOf(child, today);
  const settled = contentFor(task.content, planned.choices, facts.taskSettings);
  const content = contentFor(
    task.content,
    { ...planned.choices, replaced: replacedAt(settled, facts.materialsAtHome, 1, settled.ladder.steps.length) },
    facts.taskSettings,
  );
  const steps = content.ladder.steps;
  const change = (to: Partial<PlannedTask>) => edit({ kind: 'change', index, to });
  const here = steps[planned.step - 1];
  const dose = doseAt(planned.dose, planned.step);
  return (
    <article
      id={`task-${planned.taskVersionId}`}
      className={`border-b border-line ${isOpen ? 'py-3' : 'py-1'}`}
      aria-label={content.title.en}
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <h3 className="text-[16px]">
          <button type="button" aria-expanded={isOpen} onClick={toggle} className="font-[inherit] hover:underline">
            {content.title.en}
          </button>
          <TaskDescription content={content} />
        </h3>
        <SmallTimeline
          timeline={{ demands: demandsOf(content), daysSpent: [], currentStep: planned.step, outcomes: [], closed: isClosed }}
          label={`Step ${planned.step} of ${steps.length}`}
        />
        <span className="text-[14px] text-soft">{minutesInWords(planned)} a day</span>
        {isClosed && (
          <span className="text-[14px] font-bold text-brick">On hold after an injury report, until you reopen it in Review</span>
        )}
        <span className="ml-auto flex gap-3 text-[14px]">
          <button type="button" className="link" onClick={() => edit({ kind: 'nail', index })}>
            {planned.mark === 'nailed' ? 'Unpin' : 'Pin'}
          </button>
          <button type="button" className="link" onClick={() => edit({ kind: 'moveUp', index })}>
            Earlier
          </button>
          <button type="button" className="link" onClick={() => edit({ kind: 'moveDown', index })}>
            Later
          </button>
          <button type="button" className="link" onClick={() => edit({ kind: 'remove', index })}>
            Remove
          </button>
        </span>
      </div>
      {isOpen && (
        <>
          <div className="mt-1.5 flex flex-wrap items-end gap-x-3 gap-y-2">
            <StepSelect
              label="Today’s step"
              value={planned.step}
              content={content}
              onStep={(step) => change(atOtherStep(planned, step, steps.length))}
            />
            <StepSelect
              label="Family may choose from"
              value={planned.chooseFrom}
              content={content}
              numbersOnly
              onStep={(chooseFrom) => change({ chooseFrom })}
            />
            <StepSelect label="Up to" value={planned.chooseTo} content={content} numbersOnly onStep={(chooseTo) => change({ chooseTo })} />
            <DoseFields planned={planned} dose={dose} change={change} />
            <Days weekdays={planned.weekdays} toggle={(weekday) => edit({ kind: 'toggleDay', index, weekday })} />
          </div>
          {here && (
            <p className="mt-1.5 text-[14px]">
              {here.how.en}{' '}
              {here.sheet && (
                <a
                  className="link"
                  href={`/worksheets?${new URLSearchParams({ task: content.slug, step: String(planned.step), child: String(child.id) })}`}
                >
                  Worksheet
                </a>
              )}{' '}
              <a
                className="link"
                href={`/videos?${new URLSearchParams({ task: content.slug, step: String(planned.step), child: String(child.id) })}`}
              >
                {planned.choices.clips?.length
                  ? `shown by ${planned.choices.clips.length === 1 ? 'a clip' : `${planned.choices.clips.length} clips`}`
                  : 'Make a video'}
              </a>
            </p>
          )}
          <p className="text-[14px] text-soft">
            {planned.chooseFrom === planned.chooseTo
              ? 'The family stays at this step.'
              : `The family may choose from ${planned.chooseFrom} ${steps[planned.chooseFrom - 1]?.name.en ?? ''} up to ${planned.chooseTo} ${steps[planned.chooseTo - 1]?.name.en ?? ''}.`}
          </p>
          <p className="text-[14px] text-soft">
            {[doseSentence(dose, planned.weekdays.length), ...hiddenPractice(dose, planned.weekdays.length)].join(' · ')}
            {choiceDoses(planned)}
          </p>
          {newer && (
            <p className="text-[14px]">
              The library has a newer version of this task.{' '}
              <button type="button" className="link" onClick={() => change(withNewer(planned, newer, facts.taskSettings))}>
                Use the newer version
              </button>
            </p>
          )}
          {pace && Math.abs(pace.secondsEach - dose.secondsEach) >= 0.5 && (
            <p className="text-[14px]">
              {child.calledName} takes {pace.secondsEach.toFixed(1)} s for each ({pace.sessions} timed{' '}
              {pace.sessions === 1 ? 'session' : 'sessions'}). The plan assumes {dose.secondsEach.toFixed(1)} s.{' '}
              <button
                type="button"
                className="link"
                onClick={() => change(withDoseAtStep(planned, { secondsEach: Math.round(pace.secondsEach * 10) / 10 }))}
              >
                Use {child.calledName}’s pace
              </button>
            </p>
          )}
          <TaskChoiceFields planned={planned} task={task} index={index} childSettings={facts.taskSettings} edit={edit} />
        </>
      )}
      {children}
    </article>
  );
}

function StepSelect({
  label,
  value,
  content,
  numbersOnly = false,
  onStep,
}: {
  label: string;
  value: number;
  content: TaskContent;
  numbersOnly?: boolean;
  onStep: (step: number) => void;
}) {
  return (
    <label className="block">
      <span className="block text-[13px] font-semibold text-soft">{label}</span>
      <select
        value={value}
        onChange={(event) => onStep(Number(event.target.value))}
        className={`field ${numbersOnly ? 'w-[64px]' : 'w-[240px]'}`}
      >
        {content.ladder.steps.map((step, index) => (
          <option key={index} value={index + 1}>
            {index + 1} {numbersOnly ? '' : step.name.en}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Lists the targets of the other steps that the family may choose, where they differ from today's. */
function choiceDoses({ dose, step, chooseFrom, chooseTo }: PlannedTask): string {
  const said = (each: number) => {
    const at = doseAt(dose, each);
    return `${amountIn(at.target) ?? ''} ${amountWords(at)}`.trim();
  };
  const others = Array.from({ length: chooseTo - chooseFrom + 1 }, (_, index) => chooseFrom + index).filter(
    (each) => each !== step && said(each) !== said(step),
  );
  return others.map((each) => ` · at step ${each}: ${said(each)}`).join('');
}

function DoseFields({ planned, dose, change }: { planned: PlannedTask; dose: Dose; change: (to: Partial<PlannedTask>) => void }) {
  const { target } = dose;
  const amount = amountIn(target);
  const whole = (text: string, most: number) => Math.min(most, Math.max(1, Math.round(Number(text) || 1)));
  return (
    <>
      {amount !== null && (
        <label className="block">
          <span className="block text-[13px] font-semibold text-soft">
            {target.kind === 'count' && dose.hands === 'each' ? `each ${dose.limb ?? 'hand'}` : TARGETS[target.kind].amount}
          </span>
          <input
            type="number"
            min={TARGETS[target.kind].step}
            max={TARGETS[target.kind].most}
            step={TARGETS[target.kind].step}
            value={amount}
            onChange={(event) => change(withDoseAtStep(planned, { target: withAmount(target, Number(event.target.value)) }))}
            className="field w-[60px]"
          />
        </label>
      )}
      <label className="block">
        <span className="block text-[13px] font-semibold text-soft">rounds</span>
        <input
          type="number"
          min={1}
          max={20}
          value={dose.rounds}
          onChange={(event) => change({ dose: { ...planned.dose, rounds: whole(event.target.value, 20) } })}
          className="field w-[54px]"
        />
      </label>
    </>
  );
}

function Days({ weekdays, toggle }: { weekdays: readonly number[]; toggle: (weekday: number) => void }) {
  return (
    <fieldset>
      <legend className="text-[13px] font-semibold text-soft">Days</legend>
      <span className="flex">
        {WEEKDAYS.map((name, index) => (
          <button
            key={name}
            type="button"
            aria-pressed={weekdays.includes(index + 1)}
            aria-label={name}
            onClick={() => toggle(index + 1)}
            className="h-[31px] w-[30px] border border-l-0 border-soft bg-sheet text-[13px] first:border-l aria-pressed:bg-green aria-pressed:font-bold aria-pressed:text-sheet"
          >
            {name.slice(0, 2)}
          </button>
        ))}
      </span>
    </fieldset>
  );
}
