import type { Dispatch, KeyboardEvent } from 'react';
import { compareGrades, demandOf, isFieldKnob, KNOB_IDS, type KnobKey, type TaskKnob } from '@/core/knobs';
import type { TaskFinding } from '@/core/library';
import type { StepOutcomes } from '@/core/programs';
import { doseAtStep, filledStep, type TaskContent } from '@/core/tasks';
import { words } from '../../../shared/deskWords';
import { amountIn, amountWords, TARGETS, withAmount } from '../../parts/targets';
import { knobName } from '../../parts/taskWords';
import type { EditorEdit } from './editorEdits';
import type { KnobEditorProps } from './editorProps';
import { SHAPE_KNOB } from './usualLevels';
import { EditorStairs } from './EditorStairs';

interface Props {
  /** How this person's children fared at each step. */
  readonly outcomesPerStep?: readonly StepOutcomes[];
  readonly task: TaskContent;
  readonly findings: readonly TaskFinding[];
  readonly step: number;
  readonly onStep: (step: number) => void;
  readonly edit: Dispatch<EditorEdit>;
  readonly fixed: boolean;
}

const NAME_WIDTH = 128;

/** The flight drawn large over its grid: a column a step, a row a knob. Each cell is turned where it stands. */
export function TimelineGrid({ outcomesPerStep = [], task, findings, step, onStep, edit, fixed }: Props) {
  const { steps } = task.ladder;
  const faulty = new Set(
    findings
      .filter((finding) => finding.severity === 'error' && finding.path.startsWith('ladder.steps.'))
      .map((finding) => Number(finding.path.split('.')[2])),
  );
  return (
    <div className="overflow-x-auto">
      <table className="w-full table-fixed border-collapse text-[13px]" style={{ minWidth: NAME_WIDTH + steps.length * 70 }}>
        <caption className="sr-only">
          Steps from easiest to hardest. Each column is a step. Each row is one way to grade the task, and the last row is the target. Press
          ↑ to make it harder, ↓ to make it easier.
        </caption>
        <colgroup>
          <col style={{ width: NAME_WIDTH }} />
          {steps.map((_, index) => (
            <col key={index} />
          ))}
        </colgroup>
        <thead>
          <tr>
            <td className="align-bottom text-soft">demand, harder ↑</td>
            <td colSpan={steps.length} className="p-0">
              <EditorStairs task={task} step={step} faulty={faulty} />
            </td>
          </tr>
          <tr>
            <th scope="col" className="border-b border-ink py-1 text-left text-soft">
              Step
            </th>
            {steps.map((each, index) => (
              <th key={index} scope="col" className={`border-b border-ink p-0 align-top ${index === step ? 'bg-straw-tint' : ''}`}>
                <button
                  type="button"
                  aria-pressed={index === step}
                  onClick={() => onStep(index)}
                  className="block h-full w-full px-1.5 py-1 text-left font-normal hover:underline aria-pressed:font-bold"
                >
                  {index + 1} {filledStep(task, each).name.en || '…'}
                  {index + 1 === task.ladder.startStep && <span className="block font-bold text-green">start</span>}
                </button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {task.knobs.map((knob) => (
            <tr key={knob.knob}>
              <th scope="row" className="border-b border-line py-1 pr-2 text-left align-top font-semibold">
                {knobName(task.knobs, knob.knob)}
              </th>
              {steps.map((_, index) => (
                <Cell
                  key={index}
                  task={task}
                  knob={knob}
                  step={index}
                  chosen={index === step}
                  faulty={faulty.has(index)}
                  edit={edit}
                  onStep={onStep}
                  fixed={fixed}
                />
              ))}
            </tr>
          ))}
          <tr>
            <th scope="row" className="border-b border-line py-1 pr-2 text-left align-top font-semibold">
              How much
            </th>
            {steps.map((_, index) => (
              <AmountCell key={index} task={task} step={index} chosen={index === step} edit={edit} onStep={onStep} fixed={fixed} />
            ))}
          </tr>
          {outcomesPerStep.length > 0 && (
            <tr>
              <th scope="row" className="py-1 pr-2 text-left align-top font-semibold">
                My students
              </th>
              {steps.map((_, index) => (
                <td key={index} className="border-l border-line px-1.5 py-1 align-top leading-tight text-soft">
                  {outcomesWords(outcomesPerStep.find((stepOutcomes) => stepOutcomes.step === index + 1))}
                </td>
              ))}
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}

interface CellProps {
  readonly task: TaskContent;
  readonly knob: TaskKnob;
  readonly step: number;
  readonly chosen: boolean;
  readonly faulty: boolean;
  readonly edit: Dispatch<EditorEdit>;
  readonly onStep: (step: number) => void;
  readonly fixed: boolean;
}

function Cell({ task, knob, step, chosen, faulty, edit, onStep, fixed }: CellProps) {
  const levelAt = (place: number) => task.ladder.steps[place]?.grade[knob.knob] ?? 0;
  const level = levelAt(step);
  const last = knob.levels.length - 1;
  const isMoved = step > 0 && level !== levelAt(step - 1);
  const turn = (by: 1 | -1) => {
    onStep(step);
    edit({ kind: 'turn', step, knob: knob.knob, by });
  };
  const onKey = (event: KeyboardEvent<HTMLElement>) => {
    const by = { ArrowUp: 1, ArrowDown: -1 }[event.key] as 1 | -1 | undefined;
    const aside = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (by) turn(by);
    else if (aside) neighbour(event.currentTarget, aside)?.focus();
    else return;
    event.preventDefault();
  };
  const tint = !isMoved ? '' : faulty ? 'bg-brick-tint' : level > levelAt(step - 1) ? 'bg-green-tint' : 'bg-brick-tint';
  return (
    <td className={`group relative border-b border-l border-line p-0 align-top ${tint || (chosen ? 'bg-straw-tint' : '')}`}>
      <div
        role="spinbutton"
        tabIndex={0}
        aria-label={`${knobName(task.knobs, knob.knob)}, step ${step + 1}`}
        aria-valuenow={level + 1}
        aria-valuemin={1}
        aria-valuemax={last + 1}
        aria-valuetext={knob.levels[level]?.en || `level ${level + 1}`}
        aria-readonly={fixed}
        data-cell=""
        onKeyDown={fixed ? undefined : onKey}
        onFocus={() => onStep(step)}
        className={`min-h-[46px] px-1.5 pt-1 pb-5 leading-tight ${isMoved ? 'font-bold' : 'text-soft'}`}
      >
        {knob.levels[level]?.en || `level ${level + 1}`}
      </div>
      {!fixed && (
        <span className="absolute right-0 bottom-0 hidden group-focus-within:flex group-hover:flex">
          <Turn word="easier" by={-1} sign="−" off={level === 0} turn={turn} />
          <Turn word="harder" by={1} sign="+" off={level === last} turn={turn} />
        </span>
      )}
    </td>
  );
}

/** "2 here now. 9 reached it, 3 moved up, 4 moved back" */
function outcomesWords(stepOutcomes: StepOutcomes | undefined): string {
  if (!stepOutcomes) return '';
  const here = stepOutcomes.standing ? [`${stepOutcomes.standing} here now`] : [];
  const came = stepOutcomes.came
    ? [`${stepOutcomes.came} reached it, ${stepOutcomes.wentUp} moved up, ${stepOutcomes.wentBack} moved back`]
    : [];
  return [...here, ...came].join('. ');
}

/** Edits a step's amount: its own in bold, the task's in plain. Another number makes it the step's own. */
function AmountCell({ task, step, chosen, edit, onStep, fixed }: Omit<CellProps, 'knob' | 'faulty'>) {
  const own = task.ladder.steps[step]?.dose;
  const dose = doseAtStep(task, step + 1);
  const amount = amountIn(dose.target);
  return (
    <td
      className={`border-b border-l border-line px-1.5 py-1 align-top leading-tight ${chosen ? 'bg-straw-tint' : ''} ${own ? 'font-bold' : 'text-soft'}`}
    >
      {amount !== null && (
        <input
          type="number"
          aria-label={`How much, step ${step + 1}`}
          min={TARGETS[dose.target.kind].step}
          max={TARGETS[dose.target.kind].most}
          step={TARGETS[dose.target.kind].step}
          value={amount}
          readOnly={fixed}
          onFocus={() => onStep(step)}
          onChange={(event) =>
            edit({
              kind: 'set',
              path: ['ladder', 'steps', step, 'dose', 'target'],
              value: withAmount(dose.target, Number(event.target.value)),
            })
          }
          className="block w-[52px] border-b border-soft bg-transparent"
        />
      )}
      {amountWords(dose)}
    </td>
  );
}

function Turn({ word, by, sign, off, turn }: { word: string; by: 1 | -1; sign: string; off: boolean; turn: (by: 1 | -1) => void }) {
  return (
    <button
      type="button"
      tabIndex={-1}
      aria-label={word}
      disabled={off}
      onClick={() => turn(by)}
      className="h-[20px] w-[24px] border border-soft bg-sheet leading-none font-bold hover:bg-straw-tint disabled:opacity-40"
    >
      {sign}
    </button>
  );
}

function neighbour(cell: HTMLElement, aside: number): HTMLElement | null {
  const cells = [...(cell.closest('tr')?.querySelectorAll<HTMLElement>('[data-cell]') ?? [])];
  return cells[cells.indexOf(cell) + aside] ?? null;
}

/** Offers the field's knobs that the task does not have yet, and a knob of its own. */
export function AddKnob({ task, edit, usual }: Pick<KnobEditorProps, 'task' | 'edit' | 'usual'>) {
  const free = KNOB_IDS.filter((knob) => !task.knobs.some((known) => known.knob === knob));
  const add = (value: string) => {
    if (value === '') return;
    if (isFieldKnob(value)) return edit({ kind: 'addKnob', knob: value, levels: usual.levels[value] ?? [] });
    if (value === SHAPE_KNOB)
      return edit({ kind: 'addKnob', knob: SHAPE_KNOB, levels: usual.levels[SHAPE_KNOB] ?? [], name: usual.shapeName });
    const number = task.knobs.filter(({ knob }) => knob.startsWith('own:')).length + 1;
    edit({ kind: 'addKnob', knob: `own:own-${number}` as KnobKey, levels: [], name: { en: '' } });
  };
  return (
    <label className="text-[14px]">
      <span className="sr-only">Add a grading factor</span>
      <select value="" onChange={(event) => add(event.target.value)} className="field">
        <option value="">Add a grading factor…</option>
        {free.map((knob) => (
          <option key={knob} value={knob}>
            {words(`knobs.${knob}`)}
          </option>
        ))}
        {!task.knobs.some(({ knob }) => knob === SHAPE_KNOB) && <option value={SHAPE_KNOB}>Shape: strokes and shapes in order</option>}
        <option value="own">Your own grading factor</option>
      </select>
    </label>
  );
}

/** "harder here by: item size, large → small (+0.5)" */
export function harderBy(task: TaskContent, step: number): string {
  const [before, here] = [task.ladder.steps[step - 1], task.ladder.steps[step]];
  if (!before || !here) return 'the easiest step';
  const { relation, moved } = compareGrades(before.grade, here.grade);
  if (moved.length === 0) return 'the same as the step before';
  const rise = demandOf(task.knobs, here.grade) - demandOf(task.knobs, before.grade);
  const said = moved.map(({ knob, from, to }) => {
    const levels = task.knobs.find((known) => known.knob === knob)?.levels;
    return `${knobName(task.knobs, knob)}, ${levels?.[from]?.en || from + 1} → ${levels?.[to]?.en || to + 1}`;
  });
  return `${relation === 'mixed' ? 'mixed' : relation} here by: ${said.join('. ')} (${rise >= 0 ? '+' : '−'}${Math.abs(rise).toFixed(2)})`;
}
