import { randomUUID } from 'node:crypto';
import { ruleFor } from '@/core/stepRules';
import { addDays, calendarDayInZone, daysFromTo, weekdayOf, type CalendarDay } from '@/core/calendar';
import { dayTargetOf, doseAt, type Dose } from '@/core/dose';
import { outcomeSettingsAt, type GradeChange, type SentVersion } from '@/core/programs';
import { rebuildFigures, type ChildLog, type LoggedSession } from '@/core/rebuild';
import type { PersonActor } from '@/server/actor';
import { viewCaseload } from '@/server/caseload/viewCaseload';
import { sendProgram } from '@/server/programs/sendProgram';
import { decide } from '@/server/review/decide';
import { loadDecisions } from '@/server/review/loadDecisions';
import { childById, currentVersions, inTransaction } from '@/db';
import { CHILDREN, DEMO_TIME_ZONE, type FamilyKind } from '../../demo/children';
import { NEW_FAMILY } from '../../demo/family';
import { playOn, type LivedDemo } from '../../demo/playOn';
import { newTestBed, type TestBed } from './testBed';

const KINDS = ['steady', 'weekends', 'texts', 'paper', 'tooHardTooEarly', 'keenThenQuiet'] as const satisfies readonly FamilyKind[];
const WAYS = { texts: 'text', paper: 'paper' } as const;
const DAYS = 56;
/** What came since the last round waits for the next one. */
const DAYS_SINCE_ROUND = 14;

let bed: TestBed;
let ines: PersonActor;
let childIds: number[];
let today: CalendarDay;

/** Eight weeks of six families, with a round on every Monday and Thursday, a correction, a slip of the finger and an injury. */
beforeAll(async () => {
  bed = await newTestBed();
  ines = await bed.person('Ines Calloway-Brandt');
  childIds = [];
  for (const kind of KINDS) {
    const reportWay = kind in WAYS ? WAYS[kind as keyof typeof WAYS] : 'link';
    const childId = await bed.child(ines, { familyLanguage: 'en', reportWay });
    const draft = bed.draft(['open-the-shutters', 'crane-lift', 'star-beams']);

    const long = { ...draft, endsOn: addDays(draft.startsOn, 80) };
    await sendProgram(bed.context, ines, { childId, expectedVersion: 0, draft: long, cautionsRead: true });
    await bed.runJobs();
    childIds.push(childId);
  }
  const begun = calendarDayInZone(bed.context.now(), DEMO_TIME_ZONE);
  let lived: LivedDemo = {
    begun,
    firstEnd: addDays(begun, -1),
    livedUpTo: addDays(begun, -1),
    therapistId: ines.personId,
    families: KINDS.map((kind, place) => ({
      childId: childIds[place]!,
      index: CHILDREN.findIndex((each) => each.kind === kind),
      state: NEW_FAMILY,
      slip: [],
    })),
  };
  for (const day of daysFromTo(begun, addDays(begun, DAYS))) {
    if ([1, 4].includes(weekdayOf(day)) && day <= addDays(begun, DAYS - DAYS_SINCE_ROUND)) await round();
    lived = await playOn(bed.context, bed.at, lived, day);
    await bed.runJobs();
  }
  today = calendarDayInZone(bed.context.now(), DEMO_TIME_ZONE);
  // What is put right, what was a slip of the finger, and what closed a task and was lifted again or not.
  const idempotencyKey = randomUUID();
  await bed.report(childIds[0]!, { idempotencyKey, left: '1', right: '0', help: 'shown' });
  await bed.report(childIds[0]!, { idempotencyKey, left: '5', right: '5', help: 'alone' });
  const pressed = randomUUID();
  await bed.report(childIds[1]!, { idempotencyKey: pressed, press: 'pressed', hurt: 'on' });
  await bed.report(childIds[1]!, { idempotencyKey: pressed, press: 'mistake' });
  await bed.report(childIds[4]!, { words: 'her thumb is swollen', hurt: 'on' });
}, 120_000);
afterAll(() => bed.close());

/** The therapist takes what the rule suggests. */
async function round(): Promise<void> {
  for (const childId of childIds) {
    const child = (await inTransaction(bed.db, (work) => childById(work, childId)))!;
    const { open, programs } = await inTransaction(bed.db, (work) => loadDecisions(work, bed.context, [child], DEMO_TIME_ZONE));
    const next = open.find(({ suggestion }) => suggestion?.move === 'up' || suggestion?.move === 'down');
    const expectedVersion = programs.get(childId)!.number;
    if (next) await decide(bed.context, ines, { childId, key: next.key, answer: next.suggestion!.move, expectedVersion });
  }
}

const UNITS: Readonly<Record<string, SentVersion['tasks'][number]['unit']>> = { time: 'minutes', pieces: 'pieces', hold: 'holds' };
/** The driver reads some columns of JSON by itself. */
const json = <Value>(column: unknown) => (typeof column === 'string' ? JSON.parse(column) : column) as Value;

/** The log as it lies in the tables: rows as they were written, and nothing that a statement has reckoned. */
async function logOf(childId: number): Promise<ChildLog> {
  const child = (await inTransaction(bed.db, (work) => childById(work, childId)))!;
  const current = (await inTransaction(bed.db, (work) => currentVersions(work, [childId]))).get(childId)!;
  const rows = await bed.read<Record<string, never>>(
    `SELECT v.number, v.starts_on, v.ends_on, v.sent_on, v.resumes_on, v.is_ended, t.id AS versionTaskId, t.task_id, t.step, t.weekdays, t.dose
     FROM programs p JOIN program_versions v ON v.program_id = p.id JOIN version_tasks t ON t.program_version_id = v.id WHERE p.child_id = :childId ORDER BY v.number, t.position`,
    { childId },
  );
  const asked = rows.map((row: Record<string, unknown>) => ({
    number: row.number as number,
    versionTaskId: row.versionTaskId as number,
    taskId: row.task_id as number,
    step: row.step as number,
    weekdays: json<number[]>(row.weekdays),
    dose: json<Dose>(row.dose),
    version: {
      startsOn: row.starts_on as CalendarDay,
      endsOn: row.ends_on as CalendarDay,
      sentOn: row.sent_on as CalendarDay,
      resumesOn: (row.resumes_on ?? null) as CalendarDay | null,
      isEnded: Boolean(row.is_ended),
    },
  }));
  const versions = [...new Set(asked.map(({ number }) => number))].map((number): SentVersion => {
    const own = asked.filter((each) => each.number === number);
    const tasks = own.map(({ taskId, weekdays, dose, step }) => {
      const atStep = doseAt(dose, step);
      return { taskId, weekdays, target: dayTargetOf(atStep), unit: UNITS[atStep.target.kind] ?? ('repetitions' as const) };
    });
    return { number, ...own[0]!.version, tasks };
  });
  const reports = await bed.read<Record<string, unknown>>('SELECT * FROM reports WHERE child_id = :childId', { childId });
  const sessions = reports.map((row): LoggedSession => {
    const of = asked.find(({ versionTaskId }) => versionTaskId === row.version_task_id)!;
    const told = [row.left_count, row.right_count, row.amount].filter((count) => count !== null).map(Number);
    return {
      reportId: row.id as number,
      taskId: row.task_id as number,
      doneOn: row.done_on as CalendarDay,
      step: row.step as number,
      versionNumber: of.number,
      done: row.done === 1,
      amount: told.length ? told.reduce((sum, count) => sum + count, 0) : null,
      target: dayTargetOf(doseAt(of.dose, row.step as number)),
      help: row.help as LoggedSession['help'],
      effort: row.effort as LoggedSession['effort'],
      stopReason: row.stop_reason as LoggedSession['stopReason'],
      safetyWord: row.safety_word === 1,
      isHarm: row.danger !== null,
      holds: row.danger !== null && row.lift_id === null,
    };
  });
  const changes = await bed.read<{ task_id: number; from_step: number | null; to_step: number; changed_on: CalendarDay }>(
    'SELECT task_id, from_step, to_step, changed_on FROM grade_changes WHERE child_id = :childId ORDER BY id',
    { childId },
  );
  // A task stands at the step that its last change brought, since the version that brought it.
  const tasks = current.tasks.map(({ taskId, content, choices }) => {
    const steps = asked.filter((each) => each.taskId === taskId);
    const step = steps.at(-1)!.step;
    const before = steps.findLastIndex((each) => each.step !== step);
    return {
      taskId,
      step,
      stepSinceVersion: steps[before + 1]!.number,
      stepCount: content.ladder.steps.length,
      rule: ruleFor(choices.settings?.advancing, child.taskSettings.advancing, undefined),
      outcomesAt: (at: number) => outcomeSettingsAt(content, at),
    };
  });
  return {
    versions,
    sessions,
    tasks,
    changes: changes.map((row): GradeChange => ({
      taskId: row.task_id,
      fromStep: row.from_step,
      toStep: row.to_step,
      changedOn: row.changed_on,
    })),
  };
}

it('what the Yard shows of a child is what its log alone comes to', async () => {
  const view = await viewCaseload(bed.context, ines, {
    search: '',
    filter: 'everyone',
    sort: 'name',
    school: null,
    bySchool: false,
    span: 28,
  });
  const rows = view.groups.flatMap((group) => group.rows);
  expect(rows).toHaveLength(KINDS.length);
  for (const row of rows) {
    const figures = rebuildFigures(await logOf(row.childId), view.days, today);
    expect(row.practice).toEqual(figures.practice);
    expect(row.daysSinceWord === null ? null : addDays(today, -row.daysSinceWord)).toBe(figures.lastWordOn);
    expect(row.timelines.map(({ taskId, daysSpent, closed }) => ({ taskId, daysSpent, closed }))).toEqual(
      figures.tasks.map(({ taskId, daysSpent, closed }) => ({ taskId, daysSpent, closed })),
    );
  }
  // Something was there to be compared.
  expect(rows.flatMap(({ timelines }) => timelines).filter(({ closed }) => closed)).toHaveLength(2);
  expect(rows.map(({ practice }) => practice.adherence.knownDone).reduce((sum, count) => sum + count, 0)).toBeGreaterThan(60);
});

it('what Rounds suggests is what the log alone comes to, tries before it included', async () => {
  const suggested: string[] = [];
  const rebuilt: string[] = [];
  for (const childId of childIds) {
    const child = (await inTransaction(bed.db, (work) => childById(work, childId)))!;
    const { open } = await inTransaction(bed.db, (work) => loadDecisions(work, bed.context, [child], DEMO_TIME_ZONE));
    const line = (taskId: number, { move, toStep, evidence, tries }: NonNullable<(typeof open)[number]['suggestion']>) =>
      JSON.stringify([childId, taskId, move, toStep, [...evidence.reportIds].sort((a, b) => a - b), evidence.sessionsAtStep, tries ?? []]);
    suggested.push(...open.flatMap(({ taskId, suggestion }) => (taskId !== null && suggestion ? [line(taskId, suggestion)] : [])));
    const { tasks } = rebuildFigures(await logOf(childId), [today], today);
    rebuilt.push(
      ...tasks
        .filter(({ suggestion: { move } }) => move !== 'hold' && move !== 'holdForPerson')
        .map(({ taskId, suggestion }) => line(taskId, suggestion)),
    );
  }
  expect(suggested.sort()).toEqual(rebuilt.sort());
  expect(rebuilt.length).toBeGreaterThan(0);
});
