import { useMemo, useState, type Dispatch } from 'react';
import { proposeLadder } from '@/core/ladder';
import { offeredLevels } from '@/core/materials';
import type { TaskContent } from '@/core/tasks';
import { SmallTimeline } from '../../../stepTimeline/TimelineDrawing';
import { KeyCap } from '../../parts/KeyCap';
import { knobName } from '../../parts/taskWords';
import type { EditorEdit } from './editorEdits';

const MOST_KNOBS = 12;

/** The most even ladder through the start, looked at before it is taken: all of it, or some of its steps. */
export function ProposeLadder({ task, edit }: { task: TaskContent; edit: Dispatch<EditorEdit> }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="act"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        data-key="p"
        data-key-says="Propose a ladder"
      >
        Propose a ladder <KeyCap>P</KeyCap>
      </button>
      {open &&
        (task.knobs.length > MOST_KNOBS ? (
          <p className="mt-2">A ladder can be proposed for up to {MOST_KNOBS} grading factors. Remove some first.</p>
        ) : (
          <Proposal task={task} edit={edit} close={() => setOpen(false)} />
        ))}
    </>
  );
}

/** Steps below and above the start, as ladders usually have them. Common practice, no source. */
const USUAL_EASIER = 2;
const USUAL_HARDER = 4;

function Proposal({ task, edit, close }: { task: TaskContent; edit: Dispatch<EditorEdit>; close: () => void }) {
  const { startStep, steps } = task.ladder;
  const [easierSteps, setEasier] = useState(USUAL_EASIER);
  const [harderSteps, setHarder] = useState(USUAL_HARDER);
  const [lacking, setLacking] = useState<readonly string[]>([]);
  const [left, setLeft] = useState<readonly number[]>([]);
  const start = steps[startStep - 1]?.grade;
  const proposed = useMemo(() => {
    if (!start) return null;
    const home = task.materials.map((material) => material.id).filter((id) => !lacking.includes(id));
    return proposeLadder({ knobs: task.knobs, start, offered: offeredLevels(task, home), easierSteps, harderSteps });
  }, [task, start, lacking, easierSteps, harderSteps]);
  if (!proposed) return null;
  const needed = [...new Set(task.knobs.flatMap((knob) => knob.levels.flatMap((level) => level.needs ?? [])))];
  const taken = proposed.steps.filter((_, index) => index + 1 === proposed.startStep || !left.includes(index));
  const take = () => {
    const startAt = taken.indexOf(proposed.steps[proposed.startStep - 1]!) + 1;
    edit({ kind: 'takeLadder', grades: taken.map((step) => step.grade), startStep: startAt });
    close();
  };
  return (
    <div className="mt-2 border-2 border-ink bg-sheet p-3" role="group" aria-label="Proposed ladder">
      <div className="flex flex-wrap items-end gap-4">
        <Steps label="Steps easier" value={easierSteps} onSteps={setEasier} />
        <Steps label="Steps harder" value={harderSteps} onSteps={setHarder} />
        <SmallTimeline
          timeline={{ demands: proposed.steps.map((step) => step.demand), daysSpent: [], currentStep: proposed.startStep, outcomes: [] }}
          label={`Proposed ladder of ${proposed.steps.length} steps`}
        />
        {needed.length > 0 && (
          <fieldset>
            <legend className="text-[13px] font-semibold text-soft">At hand</legend>
            <span className="flex flex-wrap gap-3 text-[14px]">
              {needed.map((id) => (
                <label key={id} className="flex min-h-[26px] items-center gap-1.5">
                  <input
                    type="checkbox"
                    className="size-4 accent-green"
                    checked={!lacking.includes(id)}
                    onChange={() => setLacking(lacking.includes(id) ? lacking.filter((other) => other !== id) : [...lacking, id])}
                  />
                  {task.materials.find((material) => material.id === id)?.name.en ?? id}
                </label>
              ))}
            </span>
          </fieldset>
        )}
      </div>
      <ol className="mt-2">
        {proposed.steps.map((step, index) => {
          const isStart = index + 1 === proposed.startStep;
          const levels = step.by && task.knobs.find(({ knob }) => knob === step.by!.knob)?.levels;
          return (
            <li key={index} className="border-t border-line py-1">
              <label className="flex items-baseline gap-2">
                <input
                  type="checkbox"
                  className="size-4 accent-green"
                  disabled={isStart}
                  checked={isStart || !left.includes(index)}
                  onChange={() => setLeft(left.includes(index) ? left.filter((other) => other !== index) : [...left, index])}
                />
                <span className="w-5 text-right font-bold">{index + 1}</span>
                <span>
                  {isStart && <strong className="text-green">start · </strong>}
                  {step.by
                    ? `harder here by: ${knobName(task.knobs, step.by.knob)}, ${levels?.[step.by.from]?.en ?? step.by.from + 1} → ${levels?.[step.by.to]?.en ?? step.by.to + 1} (+${step.by.rise.toFixed(2)})`
                    : 'the easiest step'}
                </span>
              </label>
            </li>
          );
        })}
      </ol>
      {(['easier', 'harder'] as const).map((way) => {
        const used = proposed.usedUp.filter((knob) => knob.way === way);
        if (proposed.missing[way] === 0) return null;
        return (
          <p key={way} className="mt-1 border-l-4 border-straw bg-straw-tint px-2 py-1 text-[14px]">
            {proposed.missing[way]} {proposed.missing[way] === 1 ? 'step' : 'steps'} {way} could not be found: every grading factor is used
            up (
            {used
              .map(
                (knob) =>
                  `${knobName(task.knobs, knob.knob)}: ${knob.because === 'lastLevel' ? (way === 'harder' ? 'at its hardest' : 'at its easiest') : 'the next level is not at hand'}`,
              )
              .join('; ')}
            ).
          </p>
        );
      })}
      <div className="mt-2 flex items-center gap-4">
        <button type="button" className="act act-main" onClick={take} data-key="t" data-key-says="Take the proposed steps">
          Take {taken.length === proposed.steps.length ? 'all' : 'these'} {taken.length} steps <KeyCap>T</KeyCap>
        </button>
        <button type="button" className="link" onClick={close}>
          Cancel
        </button>
        <span className="text-[14px] text-soft">Nothing changes until you accept it. Existing steps keep their words.</span>
      </div>
    </div>
  );
}

function Steps({ label, value, onSteps }: { label: string; value: number; onSteps: (value: number) => void }) {
  return (
    <label className="block">
      <span className="block text-[13px] font-semibold text-soft">{label}</span>
      <select value={value} onChange={(event) => onSteps(Number(event.target.value))} className="field">
        {[0, 1, 2, 3, 4, 5, 6].map((count) => (
          <option key={count}>{count}</option>
        ))}
      </select>
    </label>
  );
}
