import { z } from 'zod';
import { addDays, calendarDayInZone, type CalendarDay } from '@/core/calendar';
import { readForm, type RawReport, type SessionFacts } from '@/core/reports';
import { correctReport, inTransaction, reportById, type LogEntry, type Work } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf, recordChanges } from '../audit/trail';
import type { Context } from '../context';
import { AppError } from '../errors';
import { parseInput } from '../parseInput';
import { loggedReports } from './loggedReports';

const envelopeSchema = z.object({
  childId: z.coerce.number().int().positive(),
  reportId: z.coerce.number().int().positive(),
  /** When it had been put right last as it was opened; 0 where it never was. */
  seenCorrectedAt: z.coerce.number().int().min(0),
  why: z.string().trim().min(3, 'empty').max(300, 'tooMuch'),
});
/** As far back as a family may tell of; what lies further back stays on its day or comes nearer. */
const DAYS_BACK = 60;

/**
 * A colleague puts a report right, where a person at the phone or a slip of the pen got it wrong: day, step, amounts, help, how it felt.
 * The family's words stay as they are, what was said of pain is never taken back, and what stood there before is kept with who and why.
 * @throws AppError notFound, notAllowed, staleRecord where it was put right meanwhile, invalid with every issue by field
 */
export async function correctByStaff(context: Context, actor: PersonActor, raw: RawReport): Promise<void> {
  const { childId, reportId, seenCorrectedAt, why } = parseInput(envelopeSchema, raw);
  await inTransaction(context.db, async (work) => {
    const now = context.now();
    const { child } = await requireChild(work, actor, childId, 'changeProgram');
    const before = await reportById(work, childId, reportId, 'locked');
    if (!before) throw new AppError('notFound');
    if ((before.correctedAt ?? 0) !== seenCorrectedAt) throw new AppError('staleRecord');
    const facts = await factsOf(work, before, raw, calendarDayInZone(now, child.timeZone));
    await correctReport(work, before, facts, now, { by: { personId: actor.personId, why } });
    await recordChanges(work, now, [entryOf(actor, now, [childId], 'report.corrected')]);
  });
}

/** Merges the session fields of the form into the stored report. @throws AppError invalid with every issue by field */
async function factsOf(work: Work, before: LogEntry, raw: RawReport, today: CalendarDay): Promise<SessionFacts> {
  const [report] = await loggedReports(work, [before]);
  const { content, step, doneOn, words, saidBy, isQuestion, safetyWord, watched } = report!;
  const latest = addDays(today, -DAYS_BACK);
  const read = readForm(raw, {
    today,
    earliest: doneOn < latest ? doneOn : latest,
    chooseFrom: 1,
    chooseTo: content.ladder.steps.length,
    step,
    takesHalves: true,
  });
  if (!read.ok) throw new AppError('invalid', { issues: read.issues });
  const told = read.value;
  return { ...told, watched, words, saidBy, isQuestion, safetyWord: safetyWord || told.safetyWord, press: null };
}
