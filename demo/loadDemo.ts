import {
  addDays,
  calendarDayInZone,
  daysFromTo,
  instant,
  instantAfterDays,
  weekdayOf,
  type CalendarDay,
  type Instant,
} from '@/core/calendar';
import { factsOf, type Role } from '@/core/students';
import { GOAL_PATTERNS, goalSchema, type GoalContent } from '@/core/goals';
import type { Skill } from '@/core/vocabulary';
import {
  addChild,
  addGoal,
  addPerson,
  addSchool,
  addSchoolYear,
  addTaskVersion,
  changeHoldMinutes,
  childById,
  currentVersions,
  giveAccess,
  inTransaction,
  markAsDemo,
  markPrinted,
  setStock,
  setUpWorkplace,
  type TaskVersion,
  type Work,
} from '@/db';
import type { PersonActor } from '@/server/actor';
import type { Context, ContextParts } from '@/server/context';
import { createContext } from '@/server/createContext';
import { measure } from '@/server/measurements/measure';
import { runDue } from '@/server/jobs/runDue';
import { hashPassword } from '@/server/accounts/signIn';
import { sendProgram } from '@/server/programs/sendProgram';
import { viewFamily } from '@/server/reports/viewFamily';
import { decide } from '@/server/review/decide';
import { loadDecisions } from '@/server/review/loadDecisions';
import type { TaskContent } from '@/core/tasks';
import { chanceOf } from './chanceOf';
import { CHILDREN, DEMO_PASSWORD, DEMO_TIME_ZONE, PEOPLE, SCHOOLS, WAY_OF } from './children';
import { childOf } from './childOf';
import { filmClips, showBack } from './clips';
import { NEW_FAMILY } from './family';
import { measuredOn, type DemoGoal } from './measured';
import { linkOnPhone, liveDay, type DemoFamily } from './livedDay';
import { afternoonOf, livedFrom, therapistOf, type LivedDemo } from './playOn';
import { draftFor, plannedTasks, type Planned } from './plannedTasks';
import { schoolYearOn } from './schoolYear';

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

const WEEKS = 10;
const DAYS_SINCE_ROUND = 3;
/** The share of suggestions that waited. */
const WAITS = 0.2;
const WORKER = 'demo';
/** Settings of the demo's workplace, once the ten weeks are over. */
const POST_MINUTES = 10;

type Ids = Record<keyof typeof PEOPLE, number>;

/** A child of the demo, and its first program. */
interface Story extends DemoFamily {
  readonly planned: readonly Planned[];
  readonly goals: readonly DemoGoal[];
}

/** Result for whoever serves the demo, and for the days that are played later. */
export interface LoadedDemo extends DemoAccess {
  readonly lived: LivedDemo;
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
): Promise<LoadedDemo> {
  const end = parts.now();
  const clock = { now: end };
  const context = createContext({ ...parts, now: () => clock.now });
  const moveTo = (moment: Instant) => {
    clock.now = earlier(moment, end);
    tellTime(clock.now);
  };
  const today = calendarDayInZone(end, DEMO_TIME_ZONE);
  const { people, stories } = await inTransaction(context.db, (work) => setUp(work, library, today, instantAfterDays(end, -80)));
  const therapist = therapistOf(people.therapist);
  const start = addDays(today, -7 * WEEKS);
  const living = { context, therapist, begun: start, firstEnd: today };
  let families: readonly DemoFamily[] = stories;
  for (const day of daysFromTo(start, today)) {
    moveTo(morningOf(day));
    if (day === start) {
      const clips = await filmClips(
        context,
        therapist,
        stories.flatMap(({ planned }) => planned.map(({ version }) => version)),
      );
      for (const story of stories) await sendFirst(context, therapist, story, { day, today, clips });
    } else if (isRound(day, start, today)) await goRound(context, therapist, stories, day, today);
    await runDue(context, WORKER);
    if (day === addDays(today, -DAYS_SINCE_ROUND - 1)) await inTransaction(context.db, (work) => printAll(work, stories, context.now()));
    if (day === start) await Promise.all(stories.map((story) => openLink(context, story)));
    moveTo(afternoonOf(day));
    for (const goal of stories.flatMap(({ goals }) => goals)) {
      const measured = day < today ? measuredOn(goal, day) : null;
      if (measured) await measure(context, therapist, measured);
    }
    families = await liveDay(living, families, day);
  }
  moveTo(end);
  await showOne(context, stories);
  await runDue(context, WORKER);
  const links: DemoAccess['families'][number][] = [];
  for (const story of stories) links.push({ child: `${story.demo.name} ${story.demo.initial}.`, link: await openLink(context, story) });
  await runDue(context, WORKER);
  await inTransaction(context.db, (work) => changeHoldMinutes(work, POST_MINUTES));
  const account = (who: keyof typeof PEOPLE): Account => ({ email: PEOPLE[who].email, password: DEMO_PASSWORD });
  return {
    therapist: account('therapist'),
    assistant: account('assistant'),
    supervisor: account('supervisor'),
    families: links,
    lived: livedFrom(living, families, today),
  };
}

/** Eight in the morning at Tarrow Hill, near enough. */
/** Stock that the assistant counted in the cupboard. */
const CUPBOARD = [
  { thing: 'hair-band', inCupboard: 18, packSize: 12 },
  { thing: 'child-scissors', inCupboard: 5, packSize: 1 },
  { thing: 'paper', inCupboard: 400, packSize: 500 },
  { thing: 'ring', inCupboard: 6, packSize: 10 },
  { thing: 'kitchen-tongs', inCupboard: 4, packSize: 1 },
  { thing: 'glue-stick', inCupboard: 3, packSize: 6 },
  { thing: 'clothes-pegs', inCupboard: 60, packSize: 24 },
];

const morningOf = (day: CalendarDay) => instant(Date.parse(`${day}T14:00:00Z`));
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
  await changeHoldMinutes(work, 0);
  await addSchoolYear(work, schoolYearOn(today));
  for (const stock of CUPBOARD) await setStock(work, { ...stock, by: people.assistant, at });
  const schoolIds: number[] = [];
  for (const school of SCHOOLS) schoolIds.push(await addSchool(work, school.name, school.visitDays));
  const tasks: TaskVersion[] = [];
  for (const content of library) tasks.push(await addTaskVersion(work, content, at));
  const stories: Story[] = [];
  for (const [index, demo] of CHILDREN.entries()) {
    const childId = await addChild(work, childOf(demo, index, schoolIds[demo.school]!, today), at);
    await giveAccess(work, childId, people.therapist, 'lead');
    // The assistant types in what comes on paper.
    if (index % 3 === 0 || demo.kind === 'paper') await giveAccess(work, childId, people.assistant, 'assist');
    if (index % 8 === 0) await giveAccess(work, childId, people.supervisor, 'shared');
    const child = (await childById(work, childId))!;
    const goals: DemoGoal[] = [];
    const planned = plannedTasks(demo, index, tasks, factsOf(child, today));
    for (const { version, content } of planned.slice(1, 3)) {
      const goal = goalFor(content.skill, version.taskId, addDays(today, -84), addDays(today, 30 + (index % 40)));
      const goalId = await addGoal(work, childId, { content: goal, why: '', writtenBy: people.therapist, writtenAt: at });
      goals.push({ childId, goalId, content: goal, index: index + goals.length });
    }
    stories.push({ child, demo, index, planned, state: NEW_FAMILY, slip: [], goals });
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

interface First {
  readonly day: CalendarDay;
  readonly today: CalendarDay;
  /** The therapist's clips, by the slug of their task. */
  readonly clips: ReadonlyMap<string, number>;
}

/** Index of the child whose family is asked for a video. */
const ASKED = 12;

/** The family that was asked shows how it goes. */
async function showOne(context: Context, stories: readonly Story[]): Promise<void> {
  const story = stories.find(({ index }) => index === ASKED)!;
  const link = await linkOnPhone(context, story.child.id);
  const version = await inTransaction(context.db, (work) => currentVersions(work, [story.child.id]));
  const asked = version.get(story.child.id)?.tasks.find(({ choices }) => choices.asksBack);
  if (link && asked) await showBack(context, link.split('/f/')[1]!, asked.versionTaskId, asked.step);
}

/** The first program of a child: one step before the last at most, two further on where it comes too early. */
async function sendFirst(context: Context, therapist: PersonActor, story: Story, { day, today, clips }: First): Promise<void> {
  const early = story.demo.kind === 'tooHardTooEarly' ? 2 : 0;
  const steps = story.planned.map(({ content: { ladder } }) => Math.min(ladder.steps.length - 1, ladder.startStep + early));
  const endsOn = addDays(today, story.index % 16 === 11 ? 3 : 9 + (story.index % 12));
  const plain = draftFor(story.planned, steps, day, endsOn);
  const tasks = plain.tasks.map((task, index) => {
    const { slug } = story.planned[index]!.content;
    const shown = clips.get(slug);
    // The first children have a clip beside the words; one family is asked to show how it goes.
    const asksBack = story.index === ASKED && slug === 'crane-lift';
    return shown && story.index < 24 ? { ...task, choices: { ...task.choices, clips: [shown], ...(asksBack && { asksBack }) } } : task;
  });
  const draft = { ...plain, tasks };
  await sendProgram(context, therapist, { childId: story.child.id, expectedVersion: 0, draft, cautionsRead: true });
}

/** Mondays and Thursdays, and so many days ago for the last time: what came since asks for the therapist now. */
function isRound(day: CalendarDay, start: CalendarDay, today: CalendarDay): boolean {
  const last = addDays(today, -DAYS_SINCE_ROUND);
  return day > addDays(start, 3) && day <= last && ([1, 4].includes(weekdayOf(day)) || day === last);
}

/** The therapist takes the steps that the rule suggests; long ago, now and then, one waited for the next time. */
async function goRound(
  context: Context,
  therapist: PersonActor,
  stories: readonly Story[],
  day: CalendarDay,
  today: CalendarDay,
): Promise<void> {
  const children = stories.map(({ child }) => child);
  const { open, programs } = await inTransaction(context.db, (work) => loadDecisions(work, context, children, DEMO_TIME_ZONE));
  const versions = new Map([...programs].map(([childId, { number }]) => [childId, number]));
  const chance = chanceOf('round', day);
  for (const { childId, key, kind, suggestion } of open) {
    // Texts that nobody could read for sure were read then.
    if (kind === 'text' || kind === 'comment')
      await decide(context, therapist, { childId, key, answer: 'read', expectedVersion: versions.get(childId)! });
    if (suggestion?.move !== 'up' && suggestion?.move !== 'down') continue;
    if (chance() < WAITS && day < addDays(today, -14)) continue;
    const expectedVersion = versions.get(childId)!;
    await decide(context, therapist, { childId, key, answer: suggestion.move, expectedVersion });
    versions.set(childId, expectedVersion + 1);
  }
}

/** The bags of families on paper hold what was true before the last round. */
async function printAll(work: Work, stories: readonly Story[], at: Instant): Promise<void> {
  const onPaper = stories.filter(({ demo }) => WAY_OF[demo.kind] === 'paper').map(({ child }) => child.id);
  for (const { programId, number } of (await currentVersions(work, onPaper)).values()) await markPrinted(work, programId, number, at);
}

/** The newest link on a family's phone. Families that open it have done so. */
async function openLink(context: Context, { child, demo }: Story): Promise<string> {
  const link = await linkOnPhone(context, child.id);
  if (!link) throw new Error(`No link came to the phone of ${demo.name} ${demo.initial}.`);
  if (demo.kind !== 'neverOpened' && WAY_OF[demo.kind] === 'link') await viewFamily(context, link.split('/f/')[1]!);
  return link;
}
