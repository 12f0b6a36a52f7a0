import { parseCalendarDay, type CalendarDay } from '@/core/calendar';
import { goalSchema, type GoalContent } from '@/core/goals';
import { EXTENSIONS, slugOfPlan } from './codes';

export interface FhirGoal {
  readonly statement: string;
  /** As this program wrote it; null where only words were told. */
  readonly content: GoalContent | null;
  /** Criterion in words; empty where none is given. */
  readonly criterion: string;
  readonly dueOn: CalendarDay | null;
}

export interface FhirTask {
  readonly title: string;
  /** Null where it names no task of this program. */
  readonly slug: string | null;
  readonly step: number | null;
  readonly description: string;
}

/** Something that the file tells and that is not taken in. */
export interface NotUnderstood {
  /** Such as `Goal/goal-1.achievementStatus.text`, or a kind of resource. */
  readonly where: string;
  readonly says: string;
}

export interface FhirRead {
  /** Subject of the file, to be compared with the student; null where it names no one. */
  readonly patient: { readonly given: string; readonly family: string } | null;
  readonly goals: readonly FhirGoal[];
  readonly tasks: readonly FhirTask[];
  readonly notUnderstood: readonly NotUnderstood[];
}

export type FhirFault =
  { readonly code: 'notJson' } | { readonly code: 'notFhir' } | { readonly code: 'tooLarge' } | { readonly code: 'manyPatients' };

const MOST_LETTERS = 1_000_000;
const MOST_RESOURCES = 5_000;
const MOST_TOLD = 200;
const MOST_GOALS = 40;
const MOST_TASKS = 40;

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };
type Resource = { readonly [key: string]: Json };

/**
 * Reads the parts of a FHIR R4 bundle, or of a single resource, that can become a student's goals and program: of Patient the name,
 * of Goal its words, measure and day, of CarePlan its activities. Everything else is listed, leaf by leaf or by its kind, and
 * nothing is guessed. Source: HL7 FHIR R4 (4.0.1), https://hl7.org/fhir/R4/.
 */
export function readFhir(text: string): { ok: true; read: FhirRead } | { ok: false; fault: FhirFault } {
  if (text.length > MOST_LETTERS) return { ok: false, fault: { code: 'tooLarge' } };
  let raw: Json;
  try {
    raw = JSON.parse(text) as Json;
  } catch {
    return { ok: false, fault: { code: 'notJson' } };
  }
  const resources = resourcesIn(raw);
  if (resources === null) return { ok: false, fault: { code: 'notFhir' } };
  if (resources.length > MOST_RESOURCES) return { ok: false, fault: { code: 'tooLarge' } };
  const of = (type: string) => resources.filter((each) => each.resourceType === type);
  if (of('Patient').length > 1) return { ok: false, fault: { code: 'manyPatients' } };
  const told: NotUnderstood[] = [];
  const patient = of('Patient').map((each) => readPatient(each, told))[0] ?? null;
  const goals = of('Goal').flatMap((each) => readGoal(each, told) ?? []);
  const tasks = of('CarePlan').flatMap((each) => readCarePlan(each, told));
  told.push(...otherKinds(resources));
  for (const [what, list, most] of [
    ['Goal', goals, MOST_GOALS],
    ['CarePlan activity', tasks, MOST_TASKS],
  ] as const)
    if (list.length > most) told.push({ where: what, says: `${list.length - most} more` });
  if (told.length > MOST_TOLD) told.splice(MOST_TOLD, told.length, { where: '', says: `${told.length - MOST_TOLD} more` });
  return { ok: true, read: { patient, goals: goals.slice(0, MOST_GOALS), tasks: tasks.slice(0, MOST_TASKS), notUnderstood: told } };
}

/** Null for what is no FHIR at all. */
function resourcesIn(raw: Json): Resource[] | null {
  if (!isObject(raw) || typeof raw.resourceType !== 'string') return null;
  if (raw.resourceType !== 'Bundle') return [raw];
  const entries = Array.isArray(raw.entry) ? raw.entry : [];
  return entries.flatMap((entry) =>
    isObject(entry) && isObject(entry.resource) && typeof entry.resource.resourceType === 'string' ? [entry.resource] : [],
  );
}

const UNDERSTOOD = ['Patient', 'Goal', 'CarePlan'];

/** Kinds of resources that are not looked into, each with how many there are. */
function otherKinds(resources: readonly Resource[]): NotUnderstood[] {
  const counts = new Map<string, number>();
  for (const { resourceType } of resources)
    if (!UNDERSTOOD.includes(String(resourceType)))
      counts.set(String(resourceType).slice(0, 60), (counts.get(String(resourceType).slice(0, 60)) ?? 0) + 1);
  return [...counts].map(([where, count]) => ({ where, says: String(count) }));
}

function readPatient(patient: Resource, told: NotUnderstood[]): FhirRead['patient'] {
  const leaves = new Leaves(patient, told);
  const given = leaves.text('name.0.given.0') || leaves.text('name.0.text');
  const family = leaves.text('name.0.family') || (given ? initialIn(leaves.text('name.0.text')) : '');
  leaves.tellRest(/^(id|active|name\.0\.(use|text))$/);
  return given ? { given: given.split(/\s+/)[0]!, family } : null;
}

/** "Odalys V." tells the initial alone. */
const initialIn = (text: string) => /\s(\p{L})\.?$/u.exec(text)?.[1] ?? '';

const OPEN_GOAL = ['proposed', 'planned', 'accepted', 'active', 'on-hold', ''];

function readGoal(goal: Resource, told: NotUnderstood[]): FhirGoal | null {
  const leaves = new Leaves(goal, told);
  const status = leaves.text('lifecycleStatus');
  const statement = leaves.text('description.text').slice(0, 400);
  if (!OPEN_GOAL.includes(status) || statement === '') {
    told.push({ where: leaves.name, says: statement === '' ? 'no words' : `${status}: ${statement}`.slice(0, 120) });
    return null;
  }
  const content = leaves.extension(EXTENSIONS.goal, ownGoal);
  const measure = leaves.text('target.0.measure.text');
  const asked = [leaves.text('target.0.detailString'), quantityIn(leaves, 'target.0.detailQuantity')];
  // In our own goals the measure is a code, and the words beside it contain everything.
  const criterion = [...(content ? [] : [measure]), ...asked].filter(Boolean).join(', ');
  const dueOn = parseCalendarDay(leaves.text('target.0.dueDate'));
  leaves.tellRest(/^(id|subject\.(reference|display)|startDate)$/);
  return { statement, content, criterion: criterion.slice(0, 300), dueOn };
}

function ownGoal(text: string): GoalContent | null {
  try {
    const read = goalSchema.safeParse({ ...(JSON.parse(text) as object), taskIds: [] });
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

function quantityIn(leaves: Leaves, path: string): string {
  return [leaves.text(`${path}.comparator`), leaves.text(`${path}.value`), leaves.text(`${path}.unit`)].filter(Boolean).join(' ');
}

function readCarePlan(plan: Resource, told: NotUnderstood[]): FhirTask[] {
  const leaves = new Leaves(plan, told);
  const activities = Array.isArray(plan.activity) ? plan.activity : [];
  const tasks = activities.flatMap((_, index): FhirTask[] => {
    const at = `activity.${index}.detail`;
    const address = leaves.text(`${at}.instantiatesCanonical.0`);
    const slug = slugOfPlan(address);
    const title = leaves.text(`${at}.code.text`) || leaves.text(`${at}.code.coding.0.display`);
    const description = leaves.text(`${at}.description`);
    const step = Number(leaves.extension(EXTENSIONS.step, (text) => text, at)) || null;
    if (!title && !description && !slug) return [];
    return [{ title: (title || slug || description).slice(0, 120), slug, step, description: description.slice(0, 400) }];
  });
  leaves.tellRest(
    /^(id|status|intent|title|subject\.(reference|display)|period\.(start|end)|goal\.\d+\.reference|activity\.\d+\.detail\.(status|scheduledTiming\.repeat\.dayOfWeek\.\d+))$/,
  );
  return tasks;
}

/** The leaves of a resource: which were read, and which are told as not understood. */
class Leaves {
  private readonly rest: Map<string, string>;
  readonly name: string;

  constructor(
    resource: Resource,
    private readonly told: NotUnderstood[],
  ) {
    this.name = `${String(resource.resourceType)}/${typeof resource.id === 'string' ? resource.id.slice(0, 64) : '?'}`;
    this.rest = new Map(leavesOf(resource, '').filter(([path]) => path !== 'resourceType'));
  }

  /** Returns the value at a path, as text; empty where there is none. */
  text(path: string): string {
    const value = this.rest.get(path);
    this.rest.delete(path);
    return value?.trim() ?? '';
  }

  /** Returns the value of one of our own extensions; an unreadable one is listed like everything else. */
  extension<Value>(url: string, read: (text: string) => Value | null, at = ''): Value | null {
    const prefix = at === '' ? '' : `${at}.`;
    const known = [...this.rest].find(([path, value]) => path.startsWith(`${prefix}extension.`) && path.endsWith('.url') && value === url);
    if (!known) return null;
    const base = known[0].slice(0, -'url'.length);
    const [path, value] = [...this.rest].find(([each]) => each.startsWith(`${base}value`)) ?? [];
    const given = value === undefined ? null : read(value);
    if (given === null) return null;
    this.rest.delete(known[0]);
    this.rest.delete(path!);
    return given;
  }

  /** @param silent what says nothing that is missed */
  tellRest(silent: RegExp): void {
    for (const [path, value] of this.rest)
      if (!silent.test(path)) this.told.push({ where: `${this.name}.${path}`, says: value.slice(0, 120) });
  }
}

const DEEPEST = 12;

function leavesOf(value: Json, path: string, depth = 0): [string, string][] {
  if (value === null || value === undefined) return [];
  if (typeof value !== 'object') return [[path, String(value)]];
  if (depth >= DEEPEST) return [[path, '…']];
  return Object.entries(value).flatMap(([key, inner]) => leavesOf(inner, path === '' ? key : `${path}.${key}`, depth + 1));
}

function isObject(value: unknown): value is { [key: string]: Json } {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
