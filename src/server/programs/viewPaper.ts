import { calendarDayInZone, type CalendarDay } from '@/core/calendar';
import type { Child } from '@/core/students';
import { restOf, type ProgramVersion, type Rest } from '@/core/programs';
import { taskLetters } from '@/core/replies';
import { languageOf } from '@/core/text';
import { inTransaction, standingLinkOf, tasksByVersion, versionHolding, workplaceOf, type Work } from '@/db';
import { requireChild } from '../access';
import type { PersonActor } from '../actor';
import { entryOf } from '../audit/trail';
import type { Context } from '../context';
import { familyAddress, tokenOf } from '../messages/familyAddress';
import { withheldOf } from './withheld';

export interface PaperView {
  readonly child: Child;
  readonly today: CalendarDay;
  /** The family's page of today; null where nothing was sent. */
  readonly program: ProgramVersion | null;
  readonly rest: Rest | null;
  /** Tasks on hold, or waiting for an answer to a safety card: no paper asks for them. */
  readonly closedTaskIds: readonly number[];
  readonly emergencyNumber: string;
  /** The letter of each task on slips and in texts. */
  readonly letters: ReadonlyMap<number, string>;
  /** The family's private link, to be read by a phone; null where it has none, or answers on paper or by call. */
  readonly link: string | null;
}

/** The program as it goes home on paper: what the family's page shows, for a bag without a phone. */
export async function viewPaper(context: Context, actor: PersonActor, childId: number): Promise<PaperView> {
  const view = await inTransaction(context.db, async (work) => {
    const { child } = await requireChild(work, actor, childId, 'readChild');
    return loadPaper(work, context, child);
  });
  await context.looks.note(entryOf(actor, context.now(), [childId], 'child.viewed'));
  return view;
}

/** Within the caller's transaction, which has asked whether it may be read. */
export async function loadPaper(work: Work, context: Context, child: Child): Promise<PaperView> {
  const today = calendarDayInZone(context.now(), child.timeZone);
  const program = await versionHolding(work, child.id, today);
  const withheld = await withheldOf(work, child, program, today);
  return {
    child,
    today,
    program,
    rest: program && restOf(program, today),
    closedTaskIds: [...withheld.onHold, ...withheld.undecided],
    emergencyNumber: (await workplaceOf(work)).emergencyNumber,
    letters: taskLetters(await tasksByVersion(work, child.id), languageOf(child.familyLanguage)),
    link: await linkFor(work, context, child),
  };
}

/** The standing link: paper makes none, and never a new one. */
export async function linkFor(work: Work, context: Context, child: Child): Promise<string | null> {
  if (child.reportWay !== 'link') return null;
  return standingAddress(work, context, child);
}

/** The link that is open now, whichever way the family reports: to be copied, or shown to a phone that stands beside. */
export async function standingAddress(work: Work, context: Context, child: Child): Promise<string | null> {
  const standing = await standingLinkOf(work, child.id, context.now());
  return standing && familyAddress(context.origin, tokenOf(context.linkSecret, standing.tokenSalt));
}
