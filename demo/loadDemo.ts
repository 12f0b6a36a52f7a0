import { addDays, calendarDayInZone, daysFromTo, instant, instantAfterDays, type CalendarDay, type Instant } from '@/core/calendar';
import { factsOf, type Child, type Role } from '@/core/child';
import { GOAL_PATTERNS, goalSchema, type GoalContent } from '@/core/goals';
import type { Skill } from '@/core/vocabulary';
import {
  addChild,
  addGoal,
  addPerson,
  addSchool,
  addSchoolYear,
  addTaskVersion,
  changePostMinutes,
  childById,
  giveAccess,
  inTransaction,
  linksOf,
  markAsDemo,
  setUpWorkplace,
  type TaskVersion,
  type Work,
} from '@/db';
import type { PersonActor } from '@/server/actor';
import { createContext, type Context, type ContextParts } from '@/server/context';
import { runDue } from '@/server/jobs/runDue';
import { hashPassword } from '@/server/people/signIn';
import { addressOf } from '@/server/ports';
import { sendProgram } from '@/server/programs/sendProgram';
import { viewFamily } from '@/server/reports/viewFamily';
import { decide } from '@/server/rounds/decide';
import { loadDecisions } from '@/server/rounds/loadDecisions';
import type { TaskContent } from '@/core/tasks';
import { CHILDREN, DEMO_PASSWORD, DEMO_TIME_ZONE, PEOPLE, SCHOOLS, WAY_OF, type DemoChild } from './children';
import { childOf } from './childOf';
import { draftFor, plannedTasks, type Planned } from './plannedTasks';
import { reportsOfDay, type KnownVersions } from './reportsOfDay';
import { schoolYearOn } from './schoolYear';
import { simulateHistory, type DemoHistory, type DemoVersion } from './simulateHistory';

interface Account {
  readonly email: string;
  readonly password: string;
}

export interface DemoAccess {
  readonly therapist: Account;
  readonly assistant: Account;
  readonly supervisor: Account;
  readonly families: readonly { readonly child: string; readonly link: string }[];
}

const SEED = 20_260_817;
const WORKER = 'demo';
/** What the demo's workplace has set, once the ten weeks are over. */
const POST_MINUTES = 10;

type Ids = Record<keyof typeof PEOPLE, number>;

/** One child of the demo with all that will happen to it. */
interface Story {
  readonly child: Child;
  readonly demo: DemoChild;
  readonly index: number;
  readonly planned: readonly Planned[];
  readonly history: DemoHistory;
}

/**
 * Fills an empty database with Tarrow Hill: three schools, three people, 48 children and ten weeks of their practice. The
 * weeks are lived through the use cases, day by day on a clock of their own: programs are sent, texts go out, reports come
 * in, decisions are made as a therapist makes them.
 * @param tellTime told whenever the clock of the ten weeks moves, for what stands outside and keeps a time of its own
 */
export async function loadDemo(
  parts: ContextParts,
  library: readonly TaskContent[],
  tellTime: (now: Instant) => void,
): Promise<DemoAccess> {
  const end = parts.now();
  const clock = { now: end };
  const context = createContext({ ...parts, now: () => clock.now });
  const moveTo = (moment: Instant) => {
    clock.now = earlier(moment, end);
    tellTime(clock.now);
  };
  const today = calendarDayInZone(end, DEMO_TIME_ZONE);
  const begun = addDays(today, -80);
  const { people, stories } = await inTransaction(context.db, (work) => setUp(work, library, today, instantAfterDays(end, -80)));
  const therapist: PersonActor = {
    kind: 'person',
    personId: people.therapist,
    name: PEOPLE.therapist.name,
    role: 'therapist',
    signInId: 0,
    confirmedUntil: instant(8e15),
  };
  const known: KnownVersions = new Map();
  for (const day of daysFromTo(begun, today)) {
    moveTo(morningOf(day));
    for (const story of stories) await sendWhatIsNew(context, therapist, story, day, today);
    await runDue(context, WORKER);
    moveTo(afternoonOf(day));
    await inTransaction(context.db, (work) => takeInDay(work, context, therapist.personId, stories, day, known));
  }
  moveTo(end);
  const families: DemoAccess['families'][number][] = [];
  for (const story of stories)
    families.push({ child: `${story.demo.name} ${story.demo.initial}.`, link: await openedLink(context, story) });
  await runDue(context, WORKER);
  await inTransaction(context.db, (work) => changePostMinutes(work, POST_MINUTES));
  const account = (who: keyof typeof PEOPLE): Account => ({ email: PEOPLE[who].email, password: DEMO_PASSWORD });
  return { therapist: account('therapist'), assistant: account('assistant'), supervisor: account('supervisor'), families };
}

/** Eight in the morning and four in the afternoon at Tarrow Hill, near enough. */
const morningOf = (day: CalendarDay) => instant(Date.parse(`${day}T14:00:00Z`));
const afternoonOf = (day: CalendarDay) => instant(Date.parse(`${day}T22:00:00Z`));
/** Nothing happens after the moment at which the demo is loaded. */
const earlier = (a: Instant, b: Instant): Instant => (a < b ? a : b);

async function setUp(
  work: Work,
  library: readonly TaskContent[],
  today: CalendarDay,
  at: Instant,
): Promise<{ people: Ids; stories: Story[] }> {
  const people = await addPeople(work, at);
  await setUpWorkplace(work, { emergencyNumber: '911', timeZone: DEMO_TIME_ZONE });
  await markAsDemo(work);
  // The ten weeks are lived by mornings and afternoons: their post waits for nothing.
  await changePostMinutes(work, 0);
  await addSchoolYear(work, schoolYearOn(today));
  const schoolIds: number[] = [];
  for (const school of SCHOOLS) schoolIds.push(await addSchool(work, school.name, school.visitDays));
  const tasks: TaskVersion[] = [];
  for (const content of library) tasks.push(await addTaskVersion(work, content, at));
  const stories: Story[] = [];
  for (const [index, demo] of CHILDREN.entries()) {
    const childId = await addChild(work, childOf(demo, index, schoolIds[demo.school]!, today), at);
    await giveAccess(work, childId, people.therapist, 'lead');
    if (index % 3 === 0) await giveAccess(work, childId, people.assistant, 'assist');
    if (index % 8 === 0) await giveAccess(work, childId, people.supervisor, 'shared');
    const child = (await childById(work, childId))!;
    const planned = plannedTasks(demo, index, tasks, factsOf(child, today));
    for (const { version, content } of planned.slice(1, 3)) {
      const goal = goalFor(content.skill, version.taskId, addDays(today, -84), addDays(today, 30 + (index % 40)));
      await addGoal(work, childId, { content: goal, why: '', writtenBy: people.therapist, writtenAt: at });
    }
    stories.push({ child, demo, index, planned, history: simulateHistory(demo, planned, today, SEED + index) });
  }
  return { people, stories };
}

/** The bank's goal for a skill, begun twelve weeks ago a third of the way. */
function goalFor(skill: Skill, taskId: number, baselineOn: CalendarDay, reviewOn: CalendarDay): GoalContent {
  const pattern = GOAL_PATTERNS.find((each) => each.skill === skill)!;
  const { measure } = pattern;
  const to = measure.kind === 'rating' ? measure.levels.length - 1 : measure.to;
  const from = measure.kind === 'help' ? 'steadied' : measure.kind === 'rating' ? 0 : Math.floor(Number(to) / 3);
  return goalSchema.parse({ ...pattern, measure: { ...measure, from, to, baselineOn }, reviewOn, taskIds: [taskId] });
}

async function addPeople(work: Work, at: Instant): Promise<Ids> {
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  const add = (who: keyof typeof PEOPLE) => {
    const person: { name: string; email: string; role: Role } = PEOPLE[who];
    return addPerson(work, { ...person, passwordHash }, at);
  };
  return { therapist: await add('therapist'), assistant: await add('assistant'), supervisor: await add('supervisor') };
}

/** The first program of a child, and each step that its rule suggests and the therapist takes. */
async function sendWhatIsNew(context: Context, therapist: PersonActor, story: Story, day: CalendarDay, today: CalendarDay): Promise<void> {
  for (const version of story.history.versions.filter(({ sentOn }) => sentOn === day)) {
    if (version.change) await takeStep(context, therapist, story, version);
    else {
      const endsOn = addDays(today, story.index % 16 === 11 ? 3 : 9 + (story.index % 12));
      const draft = draftFor(story.planned, version.steps, day, endsOn);
      await sendProgram(context, therapist, { childId: story.child.id, expectedVersion: 0, draft, cautionsRead: true });
    }
  }
}

async function takeStep(
  context: Context,
  therapist: PersonActor,
  { child, planned }: Story,
  { number, change }: DemoVersion,
): Promise<void> {
  const { taskIndex, suggestion } = change!;
  const { taskId } = planned[taskIndex]!.version;
  const answer = suggestion.move === 'up' ? 'up' : 'down';
  const { open } = await inTransaction(context.db, (work) => loadDecisions(work, context, [child], child.timeZone));
  const decision = open.find((each) => each.taskId === taskId && each.suggestion?.move === suggestion.move);
  if (!decision)
    throw new Error(`The rule does not suggest for ${child.calledName} what the demo's history says: ${answer}, version ${number}`);
  await decide(context, therapist, { childId: child.id, key: decision.key, answer, expectedVersion: number - 1 });
}

async function takeInDay(
  work: Work,
  context: Context,
  enteredBy: number,
  stories: readonly Story[],
  day: CalendarDay,
  known: KnownVersions,
): Promise<void> {
  const told = stories.filter(({ history }) => history.reports.some((report) => report.doneOn === day));
  const linkIds = new Map<number, number>();
  for (const { child } of told) linkIds.set(child.id, (await linksOf(work, child.id))[0]!.id);
  await reportsOfDay(work, context, day, enteredBy, told, (childId) => linkIds.get(childId)!, known);
}

/** The newest link on a family's phone. Families that open it have done so. */
async function openedLink(context: Context, { child, demo }: Story): Promise<string> {
  const texts = await context.phone!.read(addressOf(child.id));
  const link = texts.at(-1)!.text.match(/https?:\/\/\S+/)![0];
  if (demo.kind !== 'neverOpened' && WAY_OF[demo.kind] === 'link') await viewFamily(context, link.split('/f/')[1]!);
  return link;
}
