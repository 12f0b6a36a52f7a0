import { daysFromTo, weekdayOf, type CalendarDay } from '../calendar';
import { doseAt, calculateDose } from '../dose';
import { groupBy } from '../groupBy';
import { matchHome } from '../materials';
import type { ProgramTask } from '../programs';
import { judgeSafety, safeSubstitutes, thingsAt, type ChildForSafety } from '../safety';
import type { Material, TaskContent } from '../tasks';
import type { LocalText } from '../text';
import { kindOfThing, mayTravel, sessionsOf, SPARE_SHARE, type ThingKind } from './things';

export type KitStanding =
  /** Comes in the bag. */
  | 'pack'
  /** The home has it. */
  | 'atHome'
  /** The home makes it by the recipe on its page. */
  | 'made'
  /** Clothes, a table, water, food: the family is asked whether they have it; a bag can't bring it. */
  | 'ask'
  /** Refused by this child's safety rules. */
  | 'refused';

/** Why so many of a thing. */
export interface KitReason {
  readonly taskId: number;
  readonly title: LocalText;
  readonly step: number;
  /** Count for one session, and the number of sessions that the bag has to last for. */
  readonly each: number;
  readonly sessions: number;
}

export interface KitLine {
  readonly thing: string;
  readonly name: LocalText;
  readonly kind: ThingKind;
  readonly standing: KitStanding;
  /** The side of a piece, where it has a size. */
  readonly sizeMm: number | null;
  /** Whole, at least 1. */
  readonly count: number;
  readonly reasons: readonly KitReason[];
  /** The thing that it stands in for, where that is refused. */
  readonly instead: LocalText | null;
}

export interface KitOptions {
  readonly child: ChildForSafety & { readonly materialsAtHome: readonly string[] };
  readonly tasks: readonly Pick<ProgramTask, 'taskId' | 'content' | 'step' | 'chooseFrom' | 'chooseTo' | 'weekdays' | 'dose'>[];
  /** Both included. */
  readonly from: CalendarDay;
  readonly to: CalendarDay;
}

/**
 * Lists a student's bag for a program: each thing at the student's own dose and for every step that the family may choose, less
 * what the home has or makes. Durable things are counted once, by the task that needs most of them, since tasks are done one after
 * the other; consumed things add up over tasks and sessions; things that run out are counted by the sessions that one of them lasts
 * for. Our own definition.
 */
export function kitOf({ child, tasks, from, to }: KitOptions): KitLine[] {
  const days = daysFromTo(from, to).map(weekdayOf);
  const needs = tasks.flatMap((task) => {
    const sessions = days.filter((day) => task.weekdays.includes(day)).length;
    if (sessions === 0) return [];
    const { standings } = matchHome(task.content, child.materialsAtHome, task.chooseFrom, task.chooseTo);
    return standings.flatMap((standing) => {
      const { kind, material } = standing;
      if (material.optional && kind === 'missing') return [];
      const reason = { taskId: task.taskId, title: task.content.title, step: task.step, each: eachOf(material, task), sessions };
      const need = (of: Material, stand: KitStanding, instead: LocalText | null): Need => ({
        material: of,
        standing: stand,
        reason,
        instead,
      });
      const safe = safeSubstitutes(task.content, material, child);
      if (standing.kind === 'replaced' && safe.includes(standing.by)) return [need(material, 'atHome', null)];
      // The home's own things are judged by the same safety rules as those in a bag.
      if (!isStopped(task.content, material, child)) return [need(material, kind === 'atHome' ? kind : standingOf(material), null)];
      const standIn =
        safe.find(({ id }) => id && child.materialsAtHome.includes(id)) ?? safe.find(({ id, hazards }) => id && mayTravel({ id, hazards }));
      const asMaterial = standIn && { ...material, ...standIn, id: standIn.id!, name: standIn };
      return [
        need(material, 'refused', null),
        ...(asMaterial ? [need(asMaterial, child.materialsAtHome.includes(asMaterial.id) ? 'atHome' : 'pack', material.name)] : []),
      ];
    });
  });
  return [...groupBy(needs, ({ material, standing }) => `${material.id} ${standing}`).values()].map(lineOf);
}

interface Need {
  readonly material: Material;
  readonly standing: KitStanding;
  readonly reason: KitReason;
  readonly instead: LocalText | null;
}

function standingOf(material: Material): KitStanding {
  if (material.recipe) return 'made';
  return mayTravel(material) ? 'pack' : 'ask';
}

/** True where a rule of safety blocks this very thing for this child. */
function isStopped(task: TaskContent, material: Material, child: ChildForSafety): boolean {
  const things = thingsAt({ materials: [{ ...material, steps: undefined }] }, 1, 1);
  return judgeSafety({ ages: task.ages, moveHazards: [], twins: [] }, things, child).findings.some(({ severity }) => severity === 'block');
}

/**
 * Returns the count for one session: the task's own; where pieces are prepared for each repetition, as many as this student's dose
 * takes. A dose in minutes leaves the task's own count.
 */
function eachOf(material: Material, { content, dose, step }: KitOptions['tasks'][number]): number {
  const own = calculateDose(doseAt(dose, step), 1).piecesPerDay;
  const usual = calculateDose(content.dose, 1).piecesPerDay;
  const isPiece = usual > 0 && material.count === usual && kindOfThing(material) === 'usedUp';
  return isPiece && own > 0 ? own : material.count;
}

function lineOf(needs: readonly Need[]): KitLine {
  const { material, standing, instead } = needs[0]!;
  const kind = kindOfThing(material);
  const reasons = needs.map(({ reason }) => reason);
  return {
    thing: material.id,
    name: { ...material.name },
    kind,
    standing,
    sizeMm: material.sizeMm ?? null,
    count: countOf(material.id, kind, reasons),
    reasons,
    instead,
  };
}

function countOf(thing: string, kind: ThingKind, reasons: readonly KitReason[]): number {
  const most = Math.max(...reasons.map(({ each }) => each));
  switch (kind) {
    case 'usedUp':
      return reasons.reduce((sum, { each, sessions }) => sum + each * sessions, 0);
    case 'runsOut':
      return Math.max(most, Math.ceil(reasons.reduce((sum, { each, sessions }) => sum + each * sessions, 0) / sessionsOf(thing)));
    case 'breaks':
      return most + Math.max(1, Math.ceil(most * SPARE_SHARE));
    default:
      return most;
  }
}
