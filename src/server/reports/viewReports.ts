import { addDays, calendarDayInZone, mondayOf, type CalendarDay } from '@/core/calendar';
import { nameOf } from '@/core/students';
import { plain } from '@/core/text';
import { childrenOf, inReading, logOf, workplaceOf, type IncomingRow, type LogOptions } from '@/db';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { may } from '../may';
import { textsWaiting } from './textsWaiting';
import { slipsMissing } from './toDo';
import { loggedReports, type LoggedReport } from './loggedReports';

export interface ReportsQuery extends LogOptions {
  /** Letters of a child's name or of a task's title; empty for all. */
  readonly search: string;
}

export interface ReportsLine extends LoggedReport {
  readonly childName: string;
  readonly mayCorrect: boolean;
}

export interface ReportsView {
  readonly today: CalendarDay;
  readonly timeZone: string;
  readonly lines: readonly ReportsLine[];
  /** The last entry that was looked at, where there are older ones. */
  readonly olderThan: number | null;
  /** Families that report on paper and of whom nothing of last week has come in, while something was planned. */
  readonly missing: readonly { readonly childId: number; readonly name: string; readonly monday: CalendarDay }[];
  /** Texts that nobody could read and nobody has filed, oldest first. */
  readonly texts: readonly (IncomingRow & { readonly childName: string })[];
}

const LINES = 60;
/** Rows that are searched through for a name or a title before a page ends. */
const SEARCHED = 600;

/** Every report by any way over the caseload, latest first, with the texts that need a person. */
export async function viewReports(context: Context, actor: PersonActor, options: ReportsQuery): Promise<ReportsView> {
  const { childIds, ...view } = await inReading(context.db, async (work) => {
    const own = await childrenOf(work, actor.personId);
    const of = new Map(own.map(({ child, access }) => [child.id, { name: nameOf(child), access }]));
    const ids = own.map(({ child }) => child.id);
    const most = options.search ? SEARCHED : LINES + 1;
    const entries = await logOf(work, ids, options, most);
    const reports = await loggedReports(work, options.search ? entries : entries.slice(0, LINES));
    const wanted = plain(options.search);
    const found = reports
      .filter(({ childId, content }) => plain(`${of.get(childId)!.name} ${content.title.en}`).includes(wanted))
      .slice(0, LINES);
    const { timeZone } = await workplaceOf(work);
    const today = calendarDayInZone(context.now(), timeZone);
    const missing = await slipsMissing(
      work,
      own.map(({ child }) => child),
      addDays(mondayOf(today), -7),
    );
    const waiting = await textsWaiting(work, context, ids);
    return {
      childIds: ids,
      timeZone,
      today,
      missing,
      lines: found.map((report): ReportsLine => {
        const { name, access } = of.get(report.childId)!;
        return { ...report, childName: name, mayCorrect: may(actor, access, 'changeProgram') };
      }),
      olderThan: entries.length === most ? ((options.search ? entries.at(-1) : entries[LINES - 1])?.reportId ?? null) : null,
      texts: waiting.map((text) => ({ ...text, childName: of.get(text.childId!)?.name ?? '' })),
    };
  });
  await context.looks.note(entryOf(actor, context.now(), childIds, 'logbook.viewed'));
  return view;
}
