import { instantAfterDays } from '@/core/calendar';
import { dropAuditBefore, dropDoneJobsBefore, inTransaction, workplaceOf } from '@/db';
import type { JobHandler } from './handlers';
import type { PayloadOf } from './jobs';

/** Jobs that are done are kept this long, to look back on. */
const JOB_DAYS = 30;
const MOST_AT_ONCE = 2_000;

/** Takes away, a piece at a time, what is older than it is kept. Doing it twice takes nothing more. */
export const tidyHandler: JobHandler<PayloadOf<'tidy'>, true> = {
  prepare: async () => true,
  async act(context) {
    const now = context.now();
    const { auditDays } = await inTransaction(context.db, workplaceOf);
    const drops = [
      () => inTransaction(context.db, (work) => dropAuditBefore(work, instantAfterDays(now, -auditDays), MOST_AT_ONCE)),
      () => inTransaction(context.db, (work) => dropDoneJobsBefore(work, instantAfterDays(now, -JOB_DAYS), MOST_AT_ONCE)),
    ];
    for (const drop of drops) while ((await drop()) === MOST_AT_ONCE) continue;
  },
  settle: async () => {},
  giveUp: async () => {},
};
