import type { CalendarDay } from '@/core/calendar';
import { contentFor, safetyBetween, type ChildFacts, type ProgramDraft, type TaskChoices } from '@/core/programs';
import { plannedDoseOf, type TaskContent } from '@/core/tasks';
import type { TaskVersion } from '@/db';
import type { DemoChild } from './children';

/** A task that a child of the demo is on: as the library has it, and as the child is given it. */
export interface Planned {
  readonly version: TaskVersion;
  readonly content: TaskContent;
  readonly weekdays: readonly number[];
  readonly choices: TaskChoices;
}

const SCHOOL_DAYS = [1, 2, 3, 4, 5];
const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];
const REASON = 'Only with an adult at the elbow, as shown at school';

/** The tasks of a child: a warm-up, a table task, something to wear or write. What safety blocks gives way to another. */
export function plannedTasks(demo: DemoChild, index: number, library: readonly TaskVersion[], child: ChildFacts): Planned[] {
  const warmUp = index % 2 ? 'open-the-shutters' : 'star-beams';
  const table =
    index === 0 || demo.kind === 'safetyWord'
      ? 'crane-lift'
      : (['crane-lift', 'pocket-the-washers', 'tile-the-roof', 'cut-the-planks'] as const)[index % 4]!;
  const tableForAge = table === 'cut-the-planks' && (demo.noScissors || demo.ageMonths < 48) ? 'tile-the-roof' : table;
  const shape = shapeFor(demo.ageMonths);
  const last = index % 3 === 0 ? 'work-vest-zip' : shape;
  const wanted = [warmUp, tableForAge, last, ...(index % 6 === 2 ? ['work-vest-zip'] : [])];
  const weekdays = demo.kind === 'weekends' || index % 5 === 0 ? EVERY_DAY : SCHOOL_DAYS;
  const planned = [...new Set(wanted)].map((slug) => {
    const first = plan(slug, library, child, weekdays);
    return first ?? plan(slug === tableForAge ? 'crane-lift' : shape, library, child, weekdays);
  });
  const known = planned.filter((each) => each !== null);
  return known.filter((each, place) => known.findIndex((other) => other.version.taskId === each.version.taskId) === place);
}

/** A shape that children of an age learn to copy. */
function shapeFor(ageMonths: number): string {
  if (ageMonths < 60) return 'shape-circle';
  return ageMonths < 84 ? 'shape-square' : 'shape-triangle';
}

/** Null where a rule of safety blocks the task for this child at any of its steps. Where a rule asks for a reason, there is one. */
function plan(slug: string, library: readonly TaskVersion[], child: ChildFacts, weekdays: readonly number[]): Planned | null {
  const version = library.find((task) => task.content.slug === slug)!;
  const content = contentFor(version.content, {}, child.taskSettings);
  const findings = safetyBetween(content, 1, content.ladder.steps.length, child);
  if (findings.some(({ finding }) => finding.severity === 'block')) return null;
  const reasons = Object.fromEntries(findings.filter(({ stops }) => stops).map(({ finding }) => [finding.key, REASON]));
  return { version, content, choices: { reasons }, weekdays };
}

/** The first program, as the builder would send it. */
export function draftFor(planned: readonly Planned[], steps: readonly number[], startsOn: CalendarDay, endsOn: CalendarDay): ProgramDraft {
  return {
    startsOn,
    endsOn,
    note: '',
    tasks: planned.map(({ version, content, choices, weekdays }, place) => ({
      taskVersionId: version.taskVersionId,
      part: content.part,
      step: steps[place]!,
      chooseFrom: Math.max(1, steps[place]! - 1),
      chooseTo: Math.min(content.ladder.steps.length, steps[place]! + 1),
      weekdays: [...weekdays],
      dose: plannedDoseOf(content),
      choices,
    })),
  };
}
