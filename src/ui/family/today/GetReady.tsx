import type { CalendarDay } from '@/core/calendar';
import { factsOf, type Child } from '@/core/students';
import { doseAt, calculateDose } from '@/core/dose';
import { safeSubstitutes } from '@/core/safety';
import { isNeededAt, type Material } from '@/core/tasks';
import type { FamilyTask } from '@/server/reports/viewFamily';
import type { FamilyWords } from '../../shared/familyWords';

interface Needed {
  readonly material: Material;
  readonly task: FamilyTask['task'];
  readonly count: number;
}

/**
 * Lists everything needed today, with amounts: a thing that is used again is listed once, with the most that any task asks; pieces
 * add up.
 */
export function neededFor(tasks: readonly Pick<FamilyTask, 'task'>[]): Needed[] {
  const needed = new Map<string, Needed>();
  for (const { task } of tasks) {
    const pieces = calculateDose(doseAt(task.dose, task.step), 1).piecesPerDay;
    for (const material of task.content.materials.filter((each) => isNeededAt(each, task.step))) {
      const isUsedUp = task.dose.piecesPerRepetition > 0 && material.count > 1;
      const count = isUsedUp ? Math.max(material.count, pieces) : material.count;
      const known = needed.get(material.id);
      needed.set(material.id, { material, task, count: known ? (isUsedUp ? known.count + count : Math.max(known.count, count)) : count });
    }
  }
  return [...needed.values()];
}

/** A single list for all of today, so that no one gets up three times. */
export function GetReady({
  tasks,
  child,
  today,
  words,
}: {
  tasks: readonly FamilyTask[];
  child: Child;
  today: CalendarDay;
  words: FamilyWords;
}) {
  const { t, local } = words;
  const needed = neededFor(tasks);
  if (needed.length === 0) return null;
  const atHome = new Set(child.materialsAtHome);
  const care = factsOf(child, today);
  return (
    <details className="mt-2">
      <summary className="press">{t('flow.readyForAll')}</summary>
      <ul className="sheet mt-2 list-disc ps-8">
        {needed.map(({ material, task, count }) => {
          const lacks = atHome.size > 0 && !atHome.has(material.id);
          const instead = safeSubstitutes(task.content, material, care)[0];
          return (
            <li key={material.id}>
              {local(material.name)}
              {count > 1 && ` × ${count}`}
              {lacks && (
                <span className="text-soft">
                  {' '}
                  ({t('flow.notAtHome')}
                  {instead && `; ${t('orElse', { what: local(instead) })}`})
                </span>
              )}
              {material.recipe && (
                <span className="block text-[0.88rem]">
                  {t('makeIt', { what: [...material.recipe.amounts, ...material.recipe.moves].map(local).join(' ') })}
                  {material.recipe.grownUp.length > 0 && (
                    <strong className="block">{t('grownUp', { what: material.recipe.grownUp.map(local).join(' ') })}</strong>
                  )}
                </span>
              )}
            </li>
          );
        })}
      </ul>
    </details>
  );
}
