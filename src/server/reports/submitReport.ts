import { MILLISECONDS_PER_DAY, calendarDayInZone } from '@/core/calendar';
import { dangerOf } from '@/core/safety';
import type { RawReport, SessionFacts } from '@/core/reports';
import {
  addJobs,
  childById,
  correctReport,
  countTryOf,
  inTransaction,
  intakeLinks,
  linkByHash,
  recordFlood,
  reportById,
  wordsOfHarm,
  type LogEntry,
} from '@/db';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { injuryEmailJob } from '../jobs/jobs';
import { dayBefore, MOST_A_DAY } from './dailyReportLimit';
import { readEnvelope, readWithin, type Envelope } from './readSubmission';
import type { TakenReport } from './takenReport';

/**
 * Takes in a family's report. The same key again with the same content makes no second one; with other content it puts the
 * first right. `corrects` names a report of the same day that this one puts right; told of another day, it is a report of its
 * own, and the other stays. One for a version that has been replaced is kept with the version and step that were really done.
 * @throws AppError link…, notFound, tooManyReports, invalid with every issue by field
 */
export async function submitReport(context: Context, token: string, raw: RawReport): Promise<TakenReport> {
  const envelope = readEnvelope(token, raw);
  const corrected = envelope.corrects === null ? null : await putRight(context, envelope, envelope.corrects, 'ofToday');
  if (corrected) return corrected;
  const taken = await context.intake.take(envelope).catch(async (error: unknown) => {
    if (error instanceof AppError && error.code === 'tooManyReports') await tellOfFlood(context, envelope.tokenHash);
    throw error;
  });
  return (taken.repeated && (await putRight(context, envelope, taken.reportId, 'ofKey'))) || taken;
}

/** Told once a day: the trail has it, and a card in Rounds. */
async function tellOfFlood(context: Context, tokenHash: string): Promise<void> {
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const link = await linkByHash(work, tokenHash);
    const child = link && (await childById(work, link.childId));
    if (!child || !(await recordFlood(work, link.id, calendarDayInZone(now, child.timeZone)))) return;
    const family = { kind: 'family', linkId: link.id, childId: child.id } as const;
    await recordChanges(work, now, [entryOf(family, now, [child.id], 'link.flooded')]);
  });
}

/** Puts a report right. Null where there is nothing to put right: it says the same, or is told of another day. */
async function putRight(context: Context, envelope: Envelope, reportId: number, how: 'ofToday' | 'ofKey'): Promise<TakenReport | null> {
  return inTransaction(context.db, async (work) => {
    const now = context.now();
    const { tokenHash, versionTaskId } = envelope;
    const links = await intakeLinks(work, [tokenHash], [versionTaskId], dayBefore(now));
    const { link, facts, replaced } = readWithin(envelope, links.get(tokenHash), now);
    // Two corrections at once: the second reads what the first has written.
    const before = await reportById(work, link.childId, reportId, 'locked');
    if (how === 'ofToday') {
      const sameDay = before !== null && calendarDayInZone(before.saidAt, link.timeZone) === calendarDayInZone(now, link.timeZone);
      if (!before || before.versionTaskId !== versionTaskId || !sameDay) throw new AppError('notFound');
      if (facts.doneOn !== before.doneOn) return null;
    }
    if (!before || saysTheSame(before, facts)) return null;
    const { tries } = await countTryOf(work, `correct:${link.id}`, now, MILLISECONDS_PER_DAY);
    if (tries > MOST_A_DAY) throw new AppError('tooManyReports');
    // It opens nothing: the lead does.
    const isSlip = facts.press === 'mistake' && before.words === '';
    await correctReport(work, before, facts, now, { isSlip });
    if (before.danger === null && dangerOf(facts) !== null)
      await addJobs(work, [injuryEmailJob(link.childId, calendarDayInZone(now, 'UTC'), now)]);
    const family = { kind: 'family', linkId: link.id, childId: link.childId } as const;
    await recordChanges(work, now, [entryOf(family, now, [link.childId], 'report.corrected')]);
    return { reportId, repeated: false, safetyWord: dangerOf(facts) !== null, replaced };
  });
}

function saysTheSame(before: LogEntry, facts: SessionFacts): boolean {
  const { step, done, doneOn, minutes, help, effort, stopReason, safetyWord, isQuestion, words, saidBy } = before;
  const told = { step, done, doneOn, minutes: minutes ?? null, help, effort, stopReason, safetyWord, isQuestion, words, saidBy };
  const amounts = { left: before.left, right: before.right, amount: before.plainAmount };
  if (JSON.stringify(before.watched) !== JSON.stringify(facts.watched ?? {})) return false;
  const press = before.mistake ? 'mistake' : before.danger === 'pressed' ? 'pressed' : null;
  const now = facts.done ? facts : { ...facts, left: null, right: null, amount: null, minutes: null };
  const said =
    before.danger === null ? now : { ...now, words: wordsOfHarm(before, now.words), safetyWord: before.safetyWord || now.safetyWord };
  return Object.entries({ ...told, ...amounts, press }).every(([key, value]) => said[key as keyof SessionFacts] === value);
}
