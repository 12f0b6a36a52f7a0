import type { Dose, DoseTarget } from '@/core/dose';
import { amountIn, TARGETS, targetOf, withAmount, workOf, WORKS, workValue } from '../../parts/targets';
import { NumberField } from './parts';

interface Props {
  readonly dose: Dose;
  readonly fixed: boolean;
  readonly labels: { readonly target: string; readonly count: string; readonly hands: string };
  readonly onTarget: (target: DoseTarget) => void;
  readonly onWork: (work: Pick<Dose, 'hands' | 'limb'>) => void;
}

/** Edits a target: its kind, its amount, and the limb that works: of a task, or of one of its steps. */
export function TargetFields({ dose, fixed, labels, onTarget, onWork }: Props) {
  const { target } = dose;
  const amount = amountIn(target);
  const { step, most, amount: unit } = TARGETS[target.kind];
  return (
    <>
      <Choice
        label={labels.target}
        value={target.kind}
        options={Object.entries(TARGETS).map(([value, { name }]) => ({ value, name }))}
        fixed={fixed}
        onChoice={(kind) => onTarget(targetOf(kind as DoseTarget['kind'], amount ?? 1))}
      />
      {amount !== null && (
        <NumberField
          label={target.kind === 'count' ? labels.count : unit}
          value={amount}
          least={step}
          most={most}
          step={step}
          fixed={fixed}
          onNumber={(value) => onTarget(withAmount(target, value))}
        />
      )}
      {target.kind === 'hold' && (
        <NumberField
          label="Seconds held"
          value={target.seconds}
          least={1}
          most={120}
          fixed={fixed}
          onNumber={(seconds) => onTarget({ ...target, seconds })}
        />
      )}
      <Choice label={labels.hands} value={workValue(dose)} options={WORKS} fixed={fixed} onChoice={(value) => onWork(workOf(value))} />
    </>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly options: readonly { readonly value: string; readonly name: string }[];
  readonly fixed: boolean;
  readonly onChoice: (value: string) => void;
}

function Choice({ label, value, options, fixed, onChoice }: ChoiceProps) {
  return (
    <label className="block">
      <span className="block text-[13px] font-semibold text-soft">{label}</span>
      <select value={value} disabled={fixed} className="field" onChange={(event) => onChoice(event.target.value)}>
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.name}
          </option>
        ))}
      </select>
    </label>
  );
}
