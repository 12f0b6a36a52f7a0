import { MILLISECONDS_PER_DAY } from '@/core/calendar';
import { z } from 'zod';
import { homeAnswersSchema, withHomeAnswers, type Child, type HomeAnswers } from '@/core/students';
import { thingsOf } from '@/core/library';
import type { HomeMaterial } from '@/core/tasks';
import {
  addHomeAnswer,
  childById,
  countTryOf,
  homeAnswerOf,
  inTransaction,
  latestTasks,
  lockChild,
  settleHomeAnswers,
  type HomeAnswer,
  type Work,
} from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { postLinkNow } from '../messages/enqueueMessage';
import { parseInput } from '../parseInput';
import { familyOf } from '../reports/familyLink';
import { writeRecord, type Changed } from './writeRecord';

/** A page that a family answers on a phone asks no more: what most tasks use comes first. Our own choice. */
const MOST_THINGS = 48;

/** Sends the family a link to one page that asks what is in the house. @throws AppError notFound, notAllowed */
export async function askForHome(context: Context, actor: PersonActor, childId: number): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    await postLinkNow(work, context, actor, child, false, 'home');
    const now = context.now();
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'home.asked')]);
  });
}

export interface HomeView {
  readonly child: Child;
  readonly things: readonly HomeMaterial[];
  /** The family's answers that are not taken over yet. */
  readonly told: HomeAnswer | null;
}

/** The page that asks what is in the house. @throws AppError linkUnknown, linkExpired, linkRevoked */
export async function viewHome(context: Context, token: string): Promise<HomeView> {
  return inTransaction(context.db, async (work) => {
    const { actor } = await familyOf(work, token, context.now());
    const child = await childById(work, actor.childId);
    if (!child) throw new AppError('linkUnknown');
    return { child, things: await askedThings(work), told: await homeAnswerOf(work, child.id) };
  });
}

/** Things that the library's tasks use, those of most tasks first. */
async function askedThings(work: Work): Promise<HomeMaterial[]> {
  const tasks = (await latestTasks(work)).map(({ content }) => content);
  const uses = new Map<string, number>();
  for (const { materials } of tasks) for (const { id } of materials) uses.set(id, (uses.get(id) ?? 0) + 1);
  return thingsOf(tasks)
    .toSorted((a, b) => (uses.get(b.id) ?? 0) - (uses.get(a.id) ?? 0))
    .slice(0, MOST_THINGS);
}

/** Submissions of a family's home inventory in a day. Our own choice. */
const MOST_TELLINGS = 20;

/** Keeps what a family told of its house, till the therapist has looked at it. @throws AppError linkUnknown, linkExpired, linkRevoked, invalid */
export async function reportHomeInventory(context: Context, token: string, raw: unknown): Promise<HomeAnswers> {
  const now = context.now();
  return inTransaction(context.db, async (work) => {
    const { actor, link } = await familyOf(work, token, now);
    const { tries } = await countTryOf(work, `home:${link.id}`, now, MILLISECONDS_PER_DAY);
    if (tries > MOST_TELLINGS) throw new AppError('tooManyReports');
    const answers = parseInput(homeAnswersSchema, raw);
    await addHomeAnswer(work, actor.childId, link.id, answers, now);
    await recordChanges(work, now, [entryOf(actor, now, [actor.childId], 'home.told')]);
    return answers;
  });
}

const takeSchema = z.object({ childId: z.number().int().positive(), answerId: z.number().int().positive(), takes: z.boolean() });

/** Takes over what the family told, or leaves it; either way it is settled. @throws AppError notFound, notAllowed, staleRecord */
export async function settleHome(context: Context, actor: PersonActor, raw: unknown): Promise<Changed | null> {
  const { childId, answerId, takes } = parseInput(takeSchema, raw);
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    await lockChild(work, childId);
    const told = await homeAnswerOf(work, childId);
    if (told?.id !== answerId || !(await settleHomeAnswers(work, childId, answerId, actor.personId, now)))
      throw new AppError('staleRecord');
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'home.takenOver')]);
    if (!takes) return null;
    const { id: _id, school, visitDays: _days, timeZone: _zone, taskSettings: _settings, leftOn: _left, ...record } = child;
    const asked = (await askedThings(work)).map(({ id }) => id);
    return writeRecord(work, context, actor, childId, withHomeAnswers(record, told.answers, asked), school);
  });
}
