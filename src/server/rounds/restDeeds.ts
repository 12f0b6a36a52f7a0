import { addDays, daysBetween, parseCalendarDay } from '@/core/calendar';
import type { Work } from '@/db';
import type { PersonActor } from '../actor';
import type { Context } from '../context';
import { invalid } from '../parseInput';
import { writeNextVersion, type VersionWish } from '../programs/nextVersion';
import type { Settling } from './decide';

/** A rest is no end: so long at most. Our own choice. */
const MOST_DAYS = 120;

/** Lets the practice rest till a day. Its last day moves as far, so that nothing of the program is lost. */
export async function pause(work: Work, context: Context, actor: PersonActor, settling: Settling): Promise<void> {
  const { input, program, today } = settling;
  const day = parseCalendarDay(input.fromDay);
  if (!day || day <= today || daysBetween(today, day) > MOST_DAYS) throw invalid({ path: 'fromDay', code: 'notADayAhead' });
  const left = Math.max(0, daysBetween(today, program.endsOn));
  await rest(work, context, actor, settling, 'paused', { resumesOn: day, isEnded: false, endsOn: addDays(day, left) });
}

/** Ends the practice with today: nothing asks for it any more, and nothing asks the therapist for a new one. */
export async function end(work: Work, context: Context, actor: PersonActor, settling: Settling): Promise<void> {
  const { program, today } = settling;
  const endsOn = program.endsOn < today ? program.endsOn : today;
  await rest(work, context, actor, settling, 'ended', { resumesOn: null, isEnded: true, endsOn });
}

async function rest(
  work: Work,
  context: Context,
  actor: PersonActor,
  { input: { expectedVersion }, child, program, decisionId }: Settling,
  kind: 'paused' | 'ended',
  change: Pick<VersionWish, 'resumesOn' | 'isEnded' | 'endsOn'>,
): Promise<void> {
  const { startsOn, note, tasks } = program;
  const wish = { child, expectedVersion, startsOn, note, tasksFor: () => tasks, reason: kind, text: kind, decisionId };
  await writeNextVersion(work, context, actor, { ...wish, ...change });
}
