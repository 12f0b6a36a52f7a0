import { addDays, calendarDayInZone, instant, type CalendarDay, type Instant } from '@/core/calendar';
import { reckonDose } from '@/core/dose';
import type { TaskContent, TaskSettings } from '@/core/tasks';
import { addAudit, addLink, addTaskVersion, addVersion, inTransaction, type TaskVersion, type Work } from '@/db';
import type { Context } from '@/server/context';
import { familyAddress, LINK_DAYS } from '@/server/messages/deliverWaiting';
import { textWords } from '@/server/messages/textWords';
import { hashPassword } from '@/server/people/signIn';
import { hashOf, newToken } from '@/server/secrets';
import { CHILDREN, DEMO_PASSWORD, DEMO_TIME_ZONE, GOAL_WORDS, PEOPLE, SCHOOLS, WAY_OF, type DemoChild } from './children';
import { schoolYearOn } from './schoolYear';
import { simulateHistory, type DemoHistory, type DemoTask, type DemoVersion } from './simulateHistory';

export interface DemoAccess {
  readonly therapist: { readonly email: string; readonly password: string };
  readonly assistant: { readonly email: string; readonly password: string };
  readonly supervisor: { readonly email: string; readonly password: string };
  readonly families: readonly { readonly child: string; readonly link: string }[];
}

const SEED = 20_260_817;
const MILLISECONDS_PER_DAY = 86_400_000;

/** Fills an empty database with Tarrow Hill: three schools, three people, 48 children and ten weeks of their practice. */
export async function loadDemo(context: Context, library: readonly TaskContent[]): Promise<DemoAccess> {
  const now = context.now();
  const today = calendarDayInZone(now, DEMO_TIME_ZONE);
  const families: { child: string; link: string }[] = [];
  await inTransaction(context.db, async (work) => {
    const people = await addPeople(work, now);
    const schoolIds = await addPlace(work, today);
    const tasks: TaskVersion[] = [];
    for (const content of library) tasks.push(await addTaskVersion(work, content, now));
    for (const [index, child] of CHILDREN.entries()) {
      const childId = await addChild(work, child, index, schoolIds[child.school]!, today, now, people);
      const planned = tasksFor(child, index, tasks);
      const history = simulateHistory(child, planned, today, SEED + index);
      await addHistory(work, { child, childId, index, planned, history, today, therapistId: people.therapist });
      families.push({ child: `${child.name} ${child.initial}.`, link: await addPhone(work, context, child, childId, history, today) });
      await addAudit(work, { at: now, personId: people.therapist, linkId: null, childIds: [childId], action: 'demo.loaded' });
    }
  });
  const account = (who: keyof typeof PEOPLE) => ({ email: PEOPLE[who].email, password: DEMO_PASSWORD });
  return { therapist: account('therapist'), assistant: account('assistant'), supervisor: account('supervisor'), families };
}

type Ids = Record<keyof typeof PEOPLE, number>;

async function addPeople(work: Work, now: Instant): Promise<Ids> {
  const password_hash = await hashPassword(DEMO_PASSWORD);
  const add = (who: keyof typeof PEOPLE) => work.insert('people', { ...PEOPLE[who], password_hash, created_at: now });
  return { therapist: await add('therapist'), assistant: await add('assistant'), supervisor: await add('supervisor') };
}

async function addPlace(work: Work, today: CalendarDay): Promise<number[]> {
  await work.select("INSERT INTO workplace (id, emergency_number, time_zone) VALUES (1, '911', :zone) RETURNING id", {
    zone: DEMO_TIME_ZONE,
  });
  const year = schoolYearOn(today);
  const yearId = await work.insert('school_years', { first_day: year.firstDay, last_day: year.lastDay });
  await work.insertAll(
    'school_breaks',
    year.breaks.map((pause) => ({ school_year_id: yearId, name: pause.name, from_day: pause.from, to_day: pause.to })),
  );
  const ids: number[] = [];
  for (const school of SCHOOLS) ids.push(await work.insert('schools', { name: school.name, visit_days: school.visitDays }));
  return ids;
}

const THINGS_AT_HOME = [
  'paper',
  'tape',
  'box',
  'clothes-pegs',
  'kitchen-tongs',
  'marker',
  'clear-floor',
  'zip-vest',
  'short-crayon',
  'card',
  'glue-stick',
  'bottle-caps',
  'lidded-box',
  'cup',
  'bowl',
  'tray',
  'towel',
  'newspaper',
  'pencil',
  'crayon',
  'coat',
  'boots',
  'gloves',
  'small-sponge',
  'water',
  'paper-rolls',
  'cloth',
  'spoon',
  'fork',
  'button-vest',
  'lace',
  'ball',
  'sock-ball',
  'plastic-jars',
  'buttons-big',
];

/** Children of one therapist do not all follow one school of thought. */
const SETTINGS_OF_SCHOOLS: readonly TaskSettings[] = [
  {},
  { helpBy: 'wrist' },
  { hands: 'bothInTurn' },
  { shapeOrder: 'circleFirst', markOrder: 'imitateFirst' },
  { promptFading: 'leastToMost' },
];

async function addChild(
  work: Work,
  child: DemoChild,
  index: number,
  schoolId: number,
  today: CalendarDay,
  now: Instant,
  people: Ids,
): Promise<number> {
  const childId = await work.insert('children', {
    called_name: child.name,
    initial: child.initial,
    school_id: schoolId,
    born_on: addDays(today, -Math.round(child.ageMonths * 30.44) - (index % 23)),
    hand: child.hand,
    mouths_things: child.mouthsThings ?? false,
    scissors_allowed: !child.noScissors,
    has_printer: !child.noPrinter,
    minutes_per_day: [15, 20, 12, 20][index % 4],
    family_language: child.language === 'es' ? 'es' : 'en',
    home_languages: child.language === 'en' ? ['en'] : [child.language, ...(index % 2 ? ['en'] : [])],
    allergies: child.allergies ?? [],
    textures_avoided: child.avoids ?? [],
    materials_at_home: THINGS_AT_HOME.filter((_, place) => (place + index) % 7 !== 0),
    task_settings: SETTINGS_OF_SCHOOLS[index % SETTINGS_OF_SCHOOLS.length],
    helpers: ['mother', 'father and grandmother', 'grandfather', 'mother and big sister', 'aunt'][index % 5],
    report_way: WAY_OF[child.kind],
    time_zone: DEMO_TIME_ZONE,
    created_at: now - 80 * MILLISECONDS_PER_DAY,
  });
  await work.insert('child_access', { child_id: childId, person_id: people.therapist, access: 'lead' });
  if (index % 3 === 0) await work.insert('child_access', { child_id: childId, person_id: people.assistant, access: 'assist' });
  if (index % 8 === 0) await work.insert('child_access', { child_id: childId, person_id: people.supervisor, access: 'shared' });
  return childId;
}

const SCHOOL_DAYS = [1, 2, 3, 4, 5];
const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];

function tasksFor(child: DemoChild, index: number, library: readonly TaskVersion[]): DemoTask[] {
  const bySlug = (slug: string) => library.find((task) => task.content.slug === slug)!;
  const warmUp = index % 2 ? 'open-the-shutters' : 'star-beams';
  const table =
    index === 0 || child.kind === 'safetyWord'
      ? 'crane-lift'
      : (['crane-lift', 'pocket-the-washers', 'tile-the-roof', 'cut-the-planks'] as const)[index % 4]!;
  const chosen =
    table === 'cut-the-planks' && (child.noScissors || child.ageMonths < 48)
      ? 'tile-the-roof'
      : table === 'pocket-the-washers' && child.mouthsThings
        ? 'crane-lift'
        : table;
  const last = index % 3 === 0 ? 'work-vest-zip' : 'wheels-and-windows';
  const weekdays = child.kind === 'weekends' || index % 5 === 0 ? EVERY_DAY : SCHOOL_DAYS;
  const slugs = [warmUp, chosen, last, ...(index % 6 === 2 ? ['work-vest-zip'] : [])];
  return [...new Set(slugs)].map((slug) => {
    const version = bySlug(slug);
    return { version, weekdays, target: reckonDose(version.content.dose, weekdays.length).perDay };
  });
}

interface Story {
  readonly child: DemoChild;
  readonly childId: number;
  readonly index: number;
  readonly planned: readonly DemoTask[];
  readonly history: DemoHistory;
  readonly today: CalendarDay;
  readonly therapistId: number;
}

/** Four in the afternoon at Tarrow Hill, near enough. */
const afternoonOf = (day: CalendarDay, minutes = 0) => instant(Date.parse(`${day}T22:00:00Z`) + minutes * 60_000);

async function addHistory(work: Work, story: Story): Promise<void> {
  const { childId, index, planned, history, today, therapistId } = story;
  const started = history.versions[0]!.sentOn;
  for (const task of planned.slice(1, 3)) await addGoal(work, childId, task, today, index);
  const programId = await work.insert('programs', { child_id: childId, current_version: 0, created_at: afternoonOf(started) });
  const endsOn = addDays(today, index % 16 === 11 ? 3 : 9 + (index % 12));
  for (const version of history.versions) {
    await addVersion(work, {
      programId,
      number: version.number,
      startsOn: started,
      endsOn,
      note: '',
      reason: version.change ? 'regrade' : 'sent',
      sentBy: therapistId,
      sentAt: afternoonOf(version.sentOn),
      sentOn: version.sentOn,
      tasks: planned.map((task, place) => versionTask(task, version, place)),
    });
    await addChanges(work, story, version);
  }
  await addReports(work, story, programId);
}

async function addGoal(work: Work, childId: number, task: DemoTask, today: CalendarDay, index: number): Promise<void> {
  const { skill } = task.version.content;
  await work.insert('goals', {
    child_id: childId,
    skill,
    ...GOAL_WORDS[skill]!,
    most_help: 'shown',
    review_on: addDays(today, 30 + (index % 40)),
  });
}

function versionTask(task: DemoTask, version: DemoVersion, place: number) {
  const step = version.steps[place]!;
  const { content, taskId, taskVersionId } = task.version;
  return {
    taskId,
    taskVersionId,
    part: content.part,
    step,
    chooseFrom: Math.max(1, step - 1),
    chooseTo: Math.min(content.ladder.steps.length, step + 1),
    weekdays: task.weekdays,
    dose: content.dose,
    choices: {},
    target: task.target,
    stepSinceVersion: version.stepsSince[place]!,
  };
}

async function addChanges(work: Work, { childId, planned, therapistId }: Story, version: DemoVersion): Promise<void> {
  const stamp = {
    child_id: childId,
    version_number: version.number,
    changed_by: therapistId,
    changed_at: afternoonOf(version.sentOn),
    changed_on: version.sentOn,
  };
  const { change } = version;
  if (!change) {
    await work.insertAll(
      'grade_changes',
      planned.map((task, place) => ({
        ...stamp,
        task_id: task.version.taskId,
        from_step: null,
        to_step: version.steps[place],
        why: 'Placed in the program',
      })),
    );
    return;
  }
  const { suggestion, taskIndex, fromStep } = change;
  const taskId = planned[taskIndex]!.version.taskId;
  const up = suggestion.move === 'up';
  const decisionId = await work.insert('decisions', {
    child_id: childId,
    task_id: taskId,
    kind: up ? 'ready' : 'tooHard',
    decision_key: `demo:${childId}:${version.number}`,
    answer: up ? 'up' : 'down',
    followed: true,
    reason: '',
    suggestion,
    decided_by: therapistId,
    decided_at: afternoonOf(version.sentOn),
    later_until: null,
  });
  const { reachedInARow, reachedOnDays, struggledInARow } = suggestion.evidence;
  const why = up
    ? `Streak rule: ${reachedInARow} reached in a row on ${reachedOnDays} days`
    : `Streak rule: ${struggledInARow} struggled in a row`;
  await work.insert('grade_changes', {
    ...stamp,
    task_id: taskId,
    from_step: fromStep,
    to_step: suggestion.toStep,
    why,
    decision_id: decisionId,
  });
}

/** Steady families also tell how long it took; each has a pace of its own. Rounded up to whole minutes, as people say it. */
function minutesTold({ dose }: TaskContent, amount: number, index: number): number | null {
  if (dose.target.kind === 'time' || amount === 0) return null;
  const pace = 0.8 + (index % 7) / 10;
  return Math.max(1, Math.ceil((amount * dose.secondsEach * pace) / 60));
}

async function addReports(
  work: Work,
  { child, childId, index, planned, history, therapistId, today }: Story,
  programId: number,
): Promise<void> {
  const rows = await work.select<{ id: number; task_id: number; number: number }>(
    'SELECT t.id, t.task_id, v.number FROM version_tasks t JOIN program_versions v ON v.id = t.program_version_id WHERE v.program_id = :programId',
    { programId },
  );
  const idOf = new Map(rows.map((row) => [`${row.number}:${row.task_id}`, row.id]));
  const isNew = (day: CalendarDay) => day >= addDays(today, -20);
  await work.insertAll(
    'reports',
    history.reports.map((report) => {
      const { taskId, content } = planned[report.taskIndex]!.version;
      const asked = report.safetyWord || report.isQuestion;
      return {
        idempotency_key: keyFrom(childId, report.reportId),
        child_id: childId,
        version_task_id: idOf.get(`${report.versionNumber}:${taskId}`),
        task_id: taskId,
        step: report.step,
        done: report.done,
        done_on: report.doneOn,
        said_at: afternoonOf(report.doneOn, report.taskIndex * 7),
        left_count: report.left,
        right_count: report.right,
        amount: report.plain,
        minutes: child.kind === 'steady' && report.done ? minutesTold(content, report.amount, index) : null,
        help: report.help,
        effort: report.effort,
        stop_reason: report.stopReason,
        safety_word: report.safetyWord,
        is_question: report.isQuestion,
        words: report.words,
        said_by: '',
        way: WAY_OF[child.kind],
        read_by: asked && !isNew(report.doneOn) ? therapistId : null,
        read_at: asked && !isNew(report.doneOn) ? afternoonOf(report.doneOn) : null,
      };
    }),
  );
}

function keyFrom(childId: number, reportId: number): string {
  const hex = hashOf(`demo:${childId}:${reportId}`);
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

/** The last message and its link, as they lie on the family's phone. */
async function addPhone(
  work: Work,
  context: Context,
  child: DemoChild,
  childId: number,
  history: DemoHistory,
  today: CalendarDay,
): Promise<string> {
  const last = history.versions.at(-1)!;
  const at = afternoonOf(last.sentOn, 5);
  const token = newToken();
  const expiresAt = instant(afternoonOf(today) + LINK_DAYS * MILLISECONDS_PER_DAY);
  const linkId = await addLink(work, childId, hashOf(token), at, expiresAt);
  if (child.kind !== 'neverOpened' && WAY_OF[child.kind] === 'link')
    await work.update('family_links', { first_opened_at: instant(at + 3_600_000) }, { id: linkId });
  const kind = last.change ? 'newStep' : 'program';
  const words = await textWords(child.language, kind);
  const [sender] = await work.select<{ id: number }>('SELECT id FROM people WHERE email = :email', { email: PEOPLE.therapist.email });
  const messageId = await work.insert('messages', {
    child_id: childId,
    kind,
    words,
    status: 'handedOver',
    created_by: sender!.id,
    created_at: at,
    handed_over_at: at,
    link_id: linkId,
  });
  const link = familyAddress(context.origin, token);
  await context.phone.deliver(childId, { messageId, at, text: words.replace('{link}', link) });
  return link;
}
