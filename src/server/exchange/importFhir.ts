import { z } from 'zod';
import { parseCalendarDay } from '@/core/calendar';
import { nameOf } from '@/core/students';
import { goalSchema, type GoalContent } from '@/core/goals';
import { plain } from '@/core/text';
import { plannedDoseOf } from '@/core/tasks';
import { SKILLS } from '@/core/vocabulary';
import { addGoal, goalsOf, inReading, inTransaction, latestTasks, lockChild, saveDraft, type Work } from '@/db';
import { readFhir, type FhirFault, type FhirRead, type NotUnderstood } from '@/formats/fhir';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid, parseInput } from '../parseInput';
import { draftNow, placeInDraft } from '../programs/changePlanned';

export interface FhirGoalSeen {
  readonly statement: string;
  readonly criterion: string;
  readonly dueOn: string | null;
  /** `whole`: its measure came along; `words`: it becomes a goal in words, of a skill that a person chooses; `isThere`: the child has it. */
  readonly state: 'whole' | 'words' | 'isThere';
}

export interface FhirTaskSeen {
  readonly title: string;
  readonly description: string;
  readonly step: number | null;
  /** `known`: it can be put on the draft; `isThere`: the draft has it; `unknown`: no task here has that name. */
  readonly state: 'known' | 'isThere' | 'unknown';
}

export type FhirPreview =
  | { readonly ok: false; readonly fault: FhirFault }
  | {
      readonly ok: true;
      readonly patient: { readonly name: string; readonly isSame: boolean } | null;
      readonly goals: readonly FhirGoalSeen[];
      readonly tasks: readonly FhirTaskSeen[];
      readonly notUnderstood: readonly NotUnderstood[];
    };

/** The child to whom something may be brought in. @throws AppError notFound, notAllowed */
export async function fhirDoor(context: Context, actor: PersonActor, childId: number): Promise<{ id: number; name: string }> {
  return inReading(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    return { id: child.id, name: nameOf(child) };
  });
}

/** Previews the import of a FHIR file for a student; nothing is written. @throws AppError notFound, notAllowed */
export async function previewFhir(context: Context, actor: PersonActor, childId: number, text: string): Promise<FhirPreview> {
  const file = readFhir(text);
  return inReading(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    if (!file.ok) return file;
    const { patient, goals, tasks, notUnderstood } = file.read;
    const seenTasks: FhirTaskSeen[] = [];
    for (const task of tasks) seenTasks.push(await seenTask(work, context, actor, child, task));
    const known = await statementsOf(work, childId);
    return {
      ok: true,
      patient: patient && {
        name: `${patient.given} ${patient.family}`.trim(),
        isSame:
          plain(patient.given) === plain(child.calledName) &&
          (patient.family === '' || plain(patient.family)[0] === plain(child.initial)[0]),
      },
      goals: goals.map(({ statement, criterion, dueOn, content }) => ({
        ...{ statement, criterion, dueOn },
        state: known.has(plain(statement)) ? 'isThere' : content ? 'whole' : 'words',
      })),
      tasks: seenTasks,
      notUnderstood,
    };
  });
}

const statementsOf = async (work: Work, childId: number) =>
  new Set((await goalsOf(work, childId)).filter(({ closedOn }) => closedOn === null).map(({ content }) => plain(content.statement)));

type Child = Awaited<ReturnType<typeof requireChild>>['child'];

async function seenTask(
  work: Work,
  context: Context,
  actor: PersonActor,
  child: Child,
  { title, description, step, slug }: FhirRead['tasks'][number],
): Promise<FhirTaskSeen> {
  const told = { title, description, step };
  const task = slug === null ? undefined : (await latestTasks(work, actor.personId)).find(({ content }) => content.slug === slug);
  if (!task) return { ...told, state: 'unknown' };
  const isThere = (await placeInDraft(work, actor, child.id, await draftNow(work, context, child), slug!)) >= 0;
  return { ...told, state: isThere ? 'isThere' : 'known' };
}

const takeSchema = z.object({
  childId: z.number().int().positive(),
  text: z.string(),
  /** The person has seen that the file names another child, or nobody. */
  isThisChild: z.boolean(),
  /** Goals by their place in the file; of one in words the skill and the day, which the file does not tell. */
  goals: z.array(z.object({ place: z.number().int().min(0), skill: z.enum(SKILLS).nullable(), reviewOn: z.string().nullable() })).max(40),
  /** Tasks by their place. */
  tasks: z.array(z.number().int().min(0)).max(40),
});

/**
 * Takes chosen goals and tasks of a FHIR file: goals are written, tasks are put on the draft of the program, where every rule of safety looks
 * at them before anything is sent. All of it, or nothing.
 * @throws AppError notFound, notAllowed, invalid
 */
export async function importFhir(context: Context, actor: PersonActor, raw: unknown): Promise<{ goals: number; tasks: number }> {
  const options = parseInput(takeSchema, raw);
  const seen = await previewFhir(context, actor, options.childId, options.text);
  const file = readFhir(options.text);
  if (!seen.ok || !file.ok) throw invalid({ path: 'text', code: 'notFhir' });
  if (!options.isThisChild && seen.patient?.isSame !== true) throw invalid({ path: 'isThisChild', code: 'otherChild' });
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, options.childId, 'changeProgram');
    await lockChild(work, child.id);
    const known = await statementsOf(work, child.id);
    let goals = 0;
    for (const choice of options.goals) {
      const content = goalOf(file.read.goals[choice.place], choice);
      // The same file twice makes no goal twice.
      if (known.has(plain(content.statement))) continue;
      known.add(plain(content.statement));
      await addGoal(work, child.id, { content, why: '', writtenBy: actor.personId, writtenAt: now });
      goals += 1;
    }
    const tasks = await putOnDraft(
      work,
      context,
      actor,
      child,
      options.tasks.map((place) => file.read.tasks[place]),
    );
    await recordChanges(work, now, [
      ...(goals ? [entryOf(actor, now, [child.id], 'goal.written')] : []),
      ...(tasks ? [entryOf(actor, now, [child.id], 'draft.saved')] : []),
    ]);
    return { goals, tasks };
  });
}

/** A goal as it came whole, or in words, with what a person added. @throws AppError invalid by its place */
function goalOf(
  goal: FhirRead['goals'][number] | undefined,
  { place, skill, reviewOn }: { place: number; skill: string | null; reviewOn: string | null },
): GoalContent {
  if (!goal) throw new AppError('notFound');
  if (goal.content) return goal.content;
  const day = parseCalendarDay(reviewOn ?? '') ?? goal.dueOn;
  if (skill === null) throw invalid({ path: `goals.${place}.skill`, code: 'skillMissing' });
  if (!day) throw invalid({ path: `goals.${place}.reviewOn`, code: 'notADay' });
  const read = goalSchema.safeParse({
    skill,
    statement: goal.statement,
    measure: { kind: 'words', baseline: '', criterion: goal.criterion },
    mostHelp: 'alone',
    sessions: 3,
    reviewOn: day,
    taskIds: [],
  });
  if (!read.success) throw invalid({ path: `goals.${place}.statement`, code: 'tooMuch' });
  return read.data;
}

async function putOnDraft(
  work: Work,
  context: Context,
  actor: PersonActor,
  child: Child,
  requested: readonly (FhirRead['tasks'][number] | undefined)[],
): Promise<number> {
  if (requested.length === 0) return 0;
  const library = await latestTasks(work, actor.personId);
  const draft = await draftNow(work, context, child);
  const tasks = [...draft.tasks];
  for (const options of requested) {
    const task = options?.slug ? library.find(({ content }) => content.slug === options.slug) : undefined;
    if (!options || !task) throw new AppError('notFound');
    if ((await placeInDraft(work, actor, child.id, { ...draft, tasks }, options.slug!)) >= 0) continue;
    // A step that the ladder does not have, or none, begins at the easiest: the builder is where it is set.
    const step = options.step !== null && options.step <= task.content.ladder.steps.length ? options.step : 1;
    tasks.push({
      taskVersionId: task.taskVersionId,
      part: task.content.part,
      step,
      chooseFrom: step,
      chooseTo: step,
      weekdays: [1, 2, 3, 4, 5],
      dose: plannedDoseOf(task.content),
      choices: {},
    });
  }
  const count = tasks.length - draft.tasks.length;
  if (count > 0) await saveDraft(work, child.id, { ...draft, tasks }, actor.personId, context.now());
  return count;
}
