import { matchHome } from '../materials';
import { applySettings, dressedIn, type TaskContent, type TaskSettings } from '../tasks';
import type { TaskChoices } from './programDraft';

/**
 * A task as one child is given it: the settings chosen (the child's own school of thought where nothing is chosen for the
 * task), the skin, and what the home uses in place of a material. What was sent carries the child's settings of that day.
 */
export function contentFor(
  content: TaskContent,
  choices: TaskChoices,
  childSettings: TaskSettings = choices.childSettings ?? {},
): TaskContent {
  const settled = applySettings(content, { ...childSettings, ...choices.settings });
  const dressed = choices.skin ? dressedIn(settled, choices.skin) : settled;
  const atHome =
    choices.replaced && Object.keys(choices.replaced).length ? matchHome(dressed, homeAfter(dressed, choices.replaced)).task : dressed;
  return choices.sheets ? withSheets(atHome, choices.sheets) : atHome;
}

function withSheets(task: TaskContent, sheets: NonNullable<TaskChoices['sheets']>): TaskContent {
  const steps = task.ladder.steps.map((step, index) => {
    const own = sheets[String(index + 1) as keyof typeof sheets];
    return own ? { ...step, sheet: own } : step;
  });
  return { ...task, ladder: { ...task.ladder, steps } };
}

/** A home that has everything but what is replaced, and the substitutes: so the same ones come out again. */
function homeAfter(task: TaskContent, replaced: Readonly<Record<string, string>>): string[] {
  const kept = task.materials.map((material) => material.id).filter((id) => !(id in replaced));
  return [...kept, ...Object.values(replaced)];
}

/** Lists the home's replacements of materials between two steps. */
export function replacedAt(content: TaskContent, home: readonly string[], from: number, to: number): Record<string, string> {
  const { standings } = matchHome(content, home, from, to);
  return Object.fromEntries(
    standings.flatMap((standing) => (standing.kind === 'replaced' && standing.by.id ? [[standing.material.id, standing.by.id]] : [])),
  );
}
