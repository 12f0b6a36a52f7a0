import { addDays, calendarDayInZone, instantAfterDays, type CalendarDay } from '@/core/calendar';
import {
  childrenLeftBefore,
  deleteAuditBefore,
  deleteDoneJobsBefore,
  dropPassed,
  expiredClips,
  inTransaction,
  keepAuditMonths,
  workplaceOf,
  type Passing,
} from '@/db';
import { removeWholly } from '../students/deleteChild';
import { recordChanges } from '../audit/trail';
import { removeWithFiles } from '../videos/removeClip';
import type { Context } from '../context';
import type { JobHandler } from './jobHandler';
import type { PayloadOf } from './jobs';

/** Jobs that are done are kept this long, to look back on. */
const JOB_DAYS = 30;
/** Retention of rows that nothing reads after their end, in days. */
const PASSING_DAYS = { sign_in_tries: 1, sign_ins: 90, known_devices: 180, invitations: 30, password_links: 30 } as const;
const MOST_AT_ONCE = 2_000;
const MOST_CLIPS_AT_ONCE = 100;
const DAYS_IN_A_YEAR = 365.25;

/** Takes away, a piece at a time, what is older than it is kept. Doing it twice takes nothing more. */
export const cleanUpHandler: JobHandler<PayloadOf<'tidy'>, true> = {
  prepare: async () => true,
  async act(context) {
    const now = context.now();
    const { auditDays, messageDays, leftChildYears, timeZone } = await inTransaction(context.db, workplaceOf);
    const before = (days: number) => instantAfterDays(now, -days);
    const passed = (what: Passing, days: number) => () =>
      inTransaction(context.db, (work) => dropPassed(work, what, before(days), MOST_AT_ONCE));
    const drops = [
      () => inTransaction(context.owner, (work) => deleteAuditBefore(work, before(auditDays), MOST_AT_ONCE, now)),
      () => inTransaction(context.db, (work) => deleteDoneJobsBefore(work, before(JOB_DAYS), MOST_AT_ONCE)),
      passed('messages', messageDays),
      passed('incoming_texts', messageDays),
      ...Object.entries(PASSING_DAYS).map(([what, days]) => passed(what as Passing, days)),
    ];
    for (const drop of drops) while ((await drop()) === MOST_AT_ONCE) continue;
    await keepAuditMonths(context.owner, now);
    while (await removeExpiredClips(context, calendarDayInZone(now, timeZone))) continue;
    if (leftChildYears === null) return;
    const day = addDays(calendarDayInZone(now, timeZone), -Math.ceil(leftChildYears * DAYS_IN_A_YEAR));
    while (await deleteOneLeftBefore(context, day)) continue;
  },
  settle: async () => {},
  giveUp: async () => {},
};

/** Clips whose day is over go, with their files. False where there is none any more. */
async function removeExpiredClips(context: Context, today: CalendarDay): Promise<boolean> {
  return inTransaction(context.db, async (work) => {
    const ids = await expiredClips(work, today, MOST_CLIPS_AT_ONCE);
    if (ids.length === 0) return false;
    await removeWithFiles(work, context, ids);
    const at = context.now();
    await recordChanges(work, at, [
      { at, personId: null, linkId: null, childIds: [], action: 'clip.tooOld', numbers: { clips: ids.length } },
    ]);
    return true;
  });
}

/** A child who left so long ago goes wholly, as if a person had deleted it. False where there is none any more. */
async function deleteOneLeftBefore(context: Context, day: ReturnType<typeof addDays>): Promise<boolean> {
  return inTransaction(context.db, async (work) => {
    const [childId] = await childrenLeftBefore(work, day, 1);
    if (childId === undefined) return false;
    await removeWholly(work, context, childId, (gone) => ({
      at: context.now(),
      personId: null,
      linkId: null,
      childIds: [childId],
      action: 'child.tooLong',
      numbers: { ...gone },
    }));
    return true;
  });
}
