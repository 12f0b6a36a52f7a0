import { doseAt, repetitionsBySkill } from '@/core/dose';
import type { ProgramDraft } from '@/core/programs';
import { words } from '../../shared/deskWords';
import type { LibraryTask } from './draftEdits';

/** Repetitions a week by skill, with what is hidden in set-up. */
export function SkillTotals({ draft, tasks }: { draft: ProgramDraft; tasks: readonly (LibraryTask | undefined)[] }) {
  const totals = repetitionsBySkill(
    draft.tasks.flatMap((task, index) => {
      const skill = tasks[index]?.content.skill;
      return skill ? [{ skill, dose: doseAt(task.dose, task.step), daysPerWeek: task.weekdays.length }] : [];
    }),
  );
  if (totals.length === 0) return null;
  const said = totals.map(({ skill, perWeek, inSetUp, minutes }) => {
    const parts = [...(perWeek ? [`${perWeek}${inSetUp ? ` (${inSetUp} in set-up)` : ''}`] : []), ...(minutes ? [`${minutes} min`] : [])];
    return `${words(`skills.${skill}`)} ${parts.join(' and ')}`;
  });
  return (
    <p className="mt-4 text-[14px]">
      <strong>Practice a week, by skill:</strong> {said.join(' · ')}
    </p>
  );
}
