import { doseAtStep, filledStep } from '@/core/tasks';
import { harderBy } from './TimelineGrid';
import type { EditorProps } from './editorProps';
import { FindingsAt, LocalField, Small } from './parts';
import { TargetFields } from './TargetFields';

interface Props extends EditorProps {
  readonly step: number;
  readonly onStep: (step: number) => void;
}

/** The chosen step: what makes it harder, what it is called, how it is done. */
export function StepEditor({ task, step, onStep, findings, edit, fixed }: Props) {
  const here = task.ladder.steps[step];
  if (!here) return null;
  const filled = filledStep(task, here);
  const path = ['ladder', 'steps', step];
  const manyKnobs = findings.some(
    (finding) =>
      finding.code === 'ladder' &&
      finding.finding.code === 'manyKnobs' &&
      finding.finding.step === step + 1 &&
      finding.finding.knobs.length > 2,
  );
  const atEnd = step + 1 === task.ladder.startStep && (step === 0 || step === task.ladder.steps.length - 1);
  const move = (by: 1 | -1) => {
    edit({ kind: 'moveStep', step, by });
    onStep(step + by);
  };
  return (
    <div className="mt-3 border-l-4 border-straw bg-sheet px-3 py-2">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <strong>Step {step + 1}</strong>
        <span className="text-[14px]">{harderBy(task, step)}</span>
        {(here.sheet || !fixed) && (
          <a className="link text-[14px]" href={`/worksheets?${new URLSearchParams({ task: task.slug, step: String(step + 1) })}`}>
            {here.sheet ? 'its sheet' : 'make a sheet'}
          </a>
        )}
        {!fixed && (
          <span className="ml-auto flex flex-wrap gap-3">
            <Small
              onPress={() => edit({ kind: 'set', path: ['ladder', 'startStep'], value: step + 1 })}
              disabled={task.ladder.startStep === step + 1}
            >
              Start here
            </Small>
            <Small onPress={() => move(-1)} disabled={step === 0}>
              Earlier
            </Small>
            <Small onPress={() => move(1)} disabled={step === task.ladder.steps.length - 1}>
              Later
            </Small>
            <Small
              onPress={() => {
                edit({ kind: 'addStep', after: step });
                onStep(step + 1);
              }}
              disabled={task.ladder.steps.length >= 12}
            >
              Add a step after
            </Small>
            <Small
              onPress={() => {
                edit({ kind: 'removeStep', step });
                onStep(Math.max(0, step - 1));
              }}
              disabled={task.ladder.steps.length <= 1}
            >
              Remove
            </Small>
          </span>
        )}
      </div>
      <FindingsAt findings={findings} path={`ladder.steps.${step}`} task={task} deep />
      <StepDoseFields task={task} step={step} edit={edit} fixed={fixed} />
      <div className="mt-1 grid gap-1.5">
        <LocalField
          label="Name"
          value={here.name}
          fixed={fixed}
          onText={(value) => edit({ kind: 'set', path: [...path, 'name'], value })}
        />
        <LocalField
          label="How it is done"
          value={here.how}
          rows={2}
          meter
          fixed={fixed}
          onText={(value) => edit({ kind: 'set', path: [...path, 'how'], value })}
        />
        {here.how.en.includes('{') && (
          <p className="text-[14px] text-soft">
            reads:{' '}
            {Object.values(filled.how)
              .map((words) => `“${words}”`)
              .join(' · ')}
          </p>
        )}
        {(manyKnobs || here.manyKnobsReason !== undefined) && (
          <Reason
            label="Why three or more things may change at once here"
            value={here.manyKnobsReason ?? ''}
            fixed={fixed}
            onReason={(value) => edit({ kind: 'set', path: [...path, 'manyKnobsReason'], value: value || undefined })}
          />
        )}
        {(atEnd || (task.ladder.startReason !== undefined && step + 1 === task.ladder.startStep)) && (
          <Reason
            label="Why the start has no easier or no harder neighbor"
            value={task.ladder.startReason ?? ''}
            fixed={fixed}
            onReason={(value) => edit({ kind: 'set', path: ['ladder', 'startReason'], value: value || undefined })}
          />
        )}
      </div>
    </div>
  );
}

function Reason({ label, value, onReason, fixed }: { label: string; value: string; onReason: (value: string) => void; fixed: boolean }) {
  return (
    <label className="block">
      <span className="block text-[13px] font-semibold text-soft">{label}</span>
      <input value={value} readOnly={fixed} maxLength={300} onChange={(event) => onReason(event.target.value)} className="field w-full" />
    </label>
  );
}

/** How much this step asks for, and with which hands, where it is not as the task says. */
function StepDoseFields({ task, step, edit, fixed }: Pick<Props, 'task' | 'step' | 'edit' | 'fixed'>) {
  const own = task.ladder.steps[step]?.dose;
  const dose = doseAtStep(task, step + 1);
  const path = ['ladder', 'steps', step, 'dose'];
  return (
    <div className="mt-1 flex flex-wrap items-end gap-3">
      <TargetFields
        dose={dose}
        fixed={fixed}
        labels={{ target: 'this step asks for', count: 'how many', hands: 'hands at this step' }}
        onTarget={(target) => edit({ kind: 'set', path: [...path, 'target'], value: target })}
        onWork={(work) => edit({ kind: 'set', path, value: { ...own, ...work } })}
      />
      <span className="pb-1.5 text-[14px] text-soft">
        {own ? !fixed && <Small onPress={() => edit({ kind: 'set', path, value: undefined })}>As the task says</Small> : 'as the task says'}
      </span>
    </div>
  );
}
