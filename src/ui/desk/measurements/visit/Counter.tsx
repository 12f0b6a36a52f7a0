import { useEffect, useState } from 'react';
import { HELP_LEVELS } from '@/core/vocabulary';
import { WATCH_ANSWERS, WATCH_ITEMS } from '@/core/vocabulary';
import type { VisitChild, VisitGoal } from '@/server/measurements/viewVisit';
import { words } from '../../../shared/deskWords';
import { KeyCap } from '../../parts/KeyCap';
import { addTry, isEmpty, secondsAt, refundTry, turnClock, type Trial } from './trial';

interface Props {
  readonly child: VisitChild;
  readonly goal: VisitGoal;
  readonly trial: Trial;
  readonly change: (trial: Trial) => void;
  readonly done: () => void;
  readonly leave: () => void;
}

/** Counts one goal while it is measured. The most used buttons are at the lower edge, under the thumb. */
export function Counter({ child, goal, trial, change, done, leave }: Props) {
  const good = trial.tries.filter(Boolean).length;
  const { measure } = goal;
  return (
    <section aria-label="Measuring" className="mt-2">
      <h2 className="text-[18px]">{child.name}</h2>
      <p>{goal.statement}</p>
      <p className="mt-3 font-title text-[44px] leading-none font-bold" role="status" aria-label={`${good} good of ${trial.tries.length}`}>
        {good} <span className="text-[22px] font-normal text-soft">of {trial.tries.length}</span>
      </p>
      <p className="min-h-6 text-[17px] tracking-[0.2em]" aria-hidden="true">
        {trial.tries
          .slice(-24)
          .map((isGood) => (isGood ? '●' : '○'))
          .join('')}
      </p>
      {measure.kind === 'rating' && (
        <Choice
          legend="Level"
          options={measure.levels.map((level, index) => ({ value: String(index), says: `${index + 1} ${level}` }))}
          chosen={trial.level === null ? null : String(trial.level)}
          choose={(level) => change({ ...trial, level: level === null ? null : Number(level) })}
        />
      )}
      <Choice
        legend="Help"
        options={HELP_LEVELS.map((help) => ({ value: help, says: words(`helps.${help}`) }))}
        chosen={trial.help}
        choose={(help) => change({ ...trial, help: HELP_LEVELS.find((each) => each === help) ?? null })}
        firstKey={1}
      />
      <Clock trial={trial} turn={() => change(turnClock(trial, Date.now()))} />
      <details className="mt-3">
        <summary className="link inline-block min-h-8">Task, observation, note</summary>
        <label className="mt-2 block">
          Task and step
          <select
            className="field mt-1 w-full"
            value={trial.taskStep}
            onChange={(event) => change({ ...trial, taskStep: event.target.value })}
          >
            <option value="">No task</option>
            {child.tasks.map(({ taskId, title, step, stepName }) => (
              <option key={taskId} value={`${taskId}:${step}`}>
                {title}, {step} {stepName}
              </option>
            ))}
          </select>
        </label>
        {WATCH_ITEMS.map((item) => (
          <Choice
            key={item}
            legend={words(`watchItems.${item}`)}
            options={WATCH_ANSWERS[item].map((seen) => ({ value: seen, says: words(`watchAnswers.${seen}`) }))}
            chosen={trial.watched[item] ?? null}
            choose={(seen) => change({ ...trial, watched: { ...trial.watched, [item]: seen ?? '' } })}
          />
        ))}
        <label className="mt-2 block">
          Note
          <textarea
            className="field mt-1 w-full"
            rows={2}
            maxLength={1000}
            value={trial.note}
            onChange={(event) => change({ ...trial, note: event.target.value })}
          />
        </label>
      </details>
      <div className="fixed inset-x-0 bottom-0 border-t border-line bg-sheet">
        <div className="mx-auto max-w-[620px] px-4 py-2">
          <div className="grid grid-cols-[2fr_2fr_1fr] gap-2">
            <button
              type="button"
              className="act act-main min-h-[64px] text-[18px]"
              data-key="g"
              data-key-says="Successful try"
              onClick={() => change(addTry(trial, true))}
            >
              ● Good <KeyCap>G</KeyCap>
            </button>
            <button
              type="button"
              className="act min-h-[64px] text-[18px]"
              data-key="x"
              data-key-says="Not this time"
              onClick={() => change(addTry(trial, false))}
            >
              ○ Not yet <KeyCap>X</KeyCap>
            </button>
            <button
              type="button"
              className="act min-h-[64px]"
              disabled={trial.tries.length === 0}
              data-key="z"
              data-key-says="Undo the last decision"
              onClick={() => change(refundTry(trial))}
            >
              Back <KeyCap>Z</KeyCap>
            </button>
          </div>
          <div className="mt-2 flex items-center justify-between gap-2">
            <button type="button" className="link min-h-10" data-key="l" data-key-says="Back to the list" onClick={leave}>
              {isEmpty(trial) ? 'the list' : 'Discard'}
            </button>
            <button type="button" className="act min-h-10" disabled={isEmpty(trial)} data-key="w" data-key-says="Save" onClick={done}>
              Save <KeyCap>W</KeyCap>
            </button>
          </div>
        </div>
      </div>
    </section>
  );
}

interface ChoiceProps {
  readonly legend: string;
  readonly options: readonly { readonly value: string; readonly says: string }[];
  readonly chosen: string | null;
  readonly choose: (value: string | null) => void;
  /** The digit of the first; left out, there are none. */
  readonly firstKey?: number;
}

/** A choice of a few; pressed again, none. */
function Choice({ legend, options, chosen, choose, firstKey }: ChoiceProps) {
  return (
    <fieldset className="mt-2">
      <legend className="text-[13px] font-semibold text-soft">{legend}</legend>
      <div className="flex flex-wrap gap-1.5">
        {options.map(({ value, says }, index) => (
          <button
            key={value}
            type="button"
            aria-pressed={chosen === value}
            className="min-h-10 rounded-[4px] border border-line bg-sheet px-2.5 aria-pressed:border-green aria-pressed:bg-green aria-pressed:font-semibold aria-pressed:text-sheet"
            {...(firstKey !== undefined && { 'data-key': String(firstKey + index), 'data-key-says': `${legend}: ${says}` })}
            onClick={() => choose(chosen === value ? null : value)}
          >
            {says}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

function Clock({ trial, turn }: { readonly trial: Trial; readonly turn: () => void }) {
  const [now, setNow] = useState(() => Date.now());
  const runs = trial.runningSince !== null;
  useEffect(() => {
    if (!runs) return;
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, [runs]);
  const seconds = secondsAt(trial, Math.max(now, trial.runningSince ?? 0));
  return (
    <p className="mt-3 flex items-center gap-3">
      <button type="button" className="act min-h-10" data-key="s" data-key-says="Start or stop the clock" onClick={turn}>
        {runs ? 'Stop the clock' : 'Start the clock'} <KeyCap>S</KeyCap>
      </button>
      <span role="timer" className="text-[18px] tabular-nums">
        {Math.floor(seconds / 60)}:{String(seconds % 60).padStart(2, '0')}
      </span>
    </p>
  );
}
