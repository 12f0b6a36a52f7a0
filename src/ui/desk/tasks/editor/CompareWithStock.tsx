import { demandOf } from '@/core/knobs';
import type { TaskContent } from '@/core/tasks';
import { HeadRow } from '../../parts/HeadRow';
import { knobName } from '../../parts/taskWords';

/** Lists the differences from the task that this was copied from: step by step, and by part. */
export function CompareWithStock({ task, stock }: { task: TaskContent; stock: TaskContent }) {
  const rows = Math.max(task.ladder.steps.length, stock.ladder.steps.length);
  const parts = (
    [
      'title',
      'dose',
      'materials',
      'tableMap',
      'helperSteps',
      'childSteps',
      'cues',
      'looksRight',
      'cautions',
      'settings',
      'ages',
      'skins',
    ] as const
  ).filter((key) => JSON.stringify(task[key]) !== JSON.stringify(stock[key]));
  return (
    <>
      <table className="mt-1.5 w-full border-collapse text-[14px]">
        <HeadRow heads={['step', `${stock.title.en}, stock`, 'this task']} />
        <tbody>
          {Array.from({ length: rows }, (_, index) => (
            <tr key={index}>
              <td className="cell w-10">{index + 1}</td>
              <StepCell task={stock} index={index} other={task} />
              <StepCell task={task} index={index} other={stock} />
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[14px]">
        {parts.length
          ? `Also changed: ${parts.map((part) => part.replace(/([A-Z])/g, ' $1').toLowerCase()).join(', ')}.`
          : 'Nothing else differs.'}
      </p>
    </>
  );
}

function StepCell({ task, index, other }: { task: TaskContent; index: number; other: TaskContent }) {
  const step = task.ladder.steps[index];
  const against = other.ladder.steps[index];
  if (!step) return <td className="cell text-soft">no such step</td>;
  const differing = task.knobs.filter(
    ({ knob, levels }) =>
      levels[step.grade[knob] ?? 0]?.en !== other.knobs.find((known) => known.knob === knob)?.levels[against?.grade[knob] ?? 0]?.en,
  );
  const isDifferent = !against || differing.length > 0 || step.how.en !== against.how.en;
  return (
    <td className={`cell ${isDifferent ? 'bg-straw-tint' : ''}`}>
      {step.name.en || '…'} <span className="text-soft">demand {demandOf(task.knobs, step.grade).toFixed(1)}</span>
      {differing.length > 0 && (
        <span className="block text-[13px]">
          {differing.map(({ knob, levels }) => `${knobName(task.knobs, knob)}: ${levels[step.grade[knob] ?? 0]?.en}`).join(' · ')}
        </span>
      )}
    </td>
  );
}
