import { z } from 'zod';
import { addDays, calendarDayInZone, daysBetween, parseCalendarDay, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/students';
import { restOf, type ProgramVersion } from '@/core/programs';
import { addChildChange, currentVersions, inTransaction, type Work } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { invalid, parseInput } from '../parseInput';
import { writeNextVersion, type VersionOptions } from './nextVersion';

/** A rest is no end: so long at most. Our own choice. */
const MOST_DAYS = 120;

export interface RestOptions {
  readonly child: Child;
  readonly program: ProgramVersion;
  readonly today: CalendarDay;
  readonly expectedVersion: number;
  /** The decision that it follows; null where a person did it from the child's screen. */
  readonly decisionId: number | null;
}

/** Lets the practice rest till a day. Its last day moves as far, so that nothing of the program is lost. @throws AppError invalid */
export async function pauseUntil(work: Work, context: Context, actor: PersonActor, options: RestOptions, until: string): Promise<void> {
  const { program, today } = options;
  const day = parseCalendarDay(until);
  if (!day || day <= today || daysBetween(today, day) > MOST_DAYS) throw invalid({ path: 'fromDay', code: 'notADayAhead' });
  const left = Math.max(0, daysBetween(today, program.endsOn));
  await rest(work, context, actor, options, 'paused', { resumesOn: day, isEnded: false, endsOn: addDays(day, left) });
}

/** Ends the practice with today: nothing asks for it any more, and nothing asks the therapist for a new one. */
export async function endNow(work: Work, context: Context, actor: PersonActor, options: RestOptions): Promise<void> {
  const { program, today } = options;
  const endsOn = program.endsOn < today ? program.endsOn : today;
  await rest(work, context, actor, options, 'ended', { resumesOn: null, isEnded: true, endsOn });
}

/** The practice goes on today. A rest that is cut short gives its days back; what had ended goes on till a day. */
async function goOn(work: Work, context: Context, actor: PersonActor, options: RestOptions, until: string): Promise<void> {
  const { program, today } = options;
  const resting = restOf(program, today);
  if (!resting) throw new AppError('goneOn');
  const asked = parseCalendarDay(until);
  if (resting.kind === 'ended' && (!asked || asked <= today)) throw invalid({ path: 'until', code: 'notAnEndAhead' });
  const endsOn = resting.kind === 'until' ? addDays(program.endsOn, -daysBetween(today, resting.day)) : asked!;
  await rest(work, context, actor, options, 'goesOn', { resumesOn: null, isEnded: false, endsOn: endsOn < today ? today : endsOn });
}

async function rest(
  work: Work,
  context: Context,
  actor: PersonActor,
  { child, program, expectedVersion, decisionId }: RestOptions,
  kind: 'paused' | 'ended' | 'goesOn',
  change: Pick<VersionOptions, 'resumesOn' | 'isEnded' | 'endsOn'>,
): Promise<void> {
  const { startsOn, note, tasks } = program;
  const reason = kind === 'goesOn' ? 'undo' : kind;
  await writeNextVersion(work, context, actor, {
    child,
    expectedVersion,
    startsOn,
    note,
    tasksFor: () => tasks,
    reason,
    text: kind,
    decisionId,
    ...change,
  });
}

const inputSchema = z.object({
  childId: z.number().int().positive(),
  expectedVersion: z.number().int().min(1),
  action: z.enum(['pause', 'end', 'goOn']),
  /** The day on which a rest ends, or the last day of what goes on after its end. */
  until: z.string().max(10),
  why: z.string().trim().max(300, 'tooMuch'),
});

const ACTIONS = {
  pause: pauseUntil,
  end: endNow,
  goOn,
} as const;

/**
 * Pauses, ends or resumes the practice from the child's screen; why is kept with the facts.
 * @throws AppError notFound, notAllowed, invalid, staleVersion, goneOn where it does not rest
 */
export async function restProgram(context: Context, actor: PersonActor, raw: unknown): Promise<void> {
  const { childId, expectedVersion, action, until, why } = parseInput(inputSchema, raw);
  if (action === 'end' && why === '') throw new AppError('reasonNeeded');
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const program = (await currentVersions(work, [childId])).get(childId);
    if (!program) throw new AppError('notFound');
    const today = calendarDayInZone(now, child.timeZone);
    await ACTIONS[action](work, context, actor, { child, program, today, expectedVersion, decisionId: null }, until);
    const after = [action === 'pause' ? `rests until ${until}` : action === 'end' ? 'ended' : 'goes on', ...(why ? [why] : [])].join(': ');
    const changes = [{ fact: 'practice', before: '', after }] as const;
    await addChildChange(work, { childId, changes, changedBy: actor.personId, changedAt: now });
    await recordChanges(work, now, [entryOf(actor, now, [childId], `program.${action}`)]);
  });
}
