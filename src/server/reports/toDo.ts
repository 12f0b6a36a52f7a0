import { addDays, mondayOf, type CalendarDay } from '@/core/calendar';
import { nameOf, type Child } from '@/core/students';
import { isActiveIn } from '@/core/programs';
import { currentVersions, lastWords, openStops, unprintedOf, type Work } from '@/db';
import type { Context } from '../context';
import { textsWaiting } from './textsWaiting';

export interface ChildToDo {
  readonly childId: number;
  readonly name: string;
}

/** Work that needs no clinical decision: to read, to type in, to print. */
export interface ToDo {
  /** Children with a task on hold after harm that nobody has read of. */
  readonly hurt: readonly ChildToDo[];
  /** Children whose slip of a week is missing. */
  readonly slips: readonly (ChildToDo & { readonly monday: CalendarDay })[];
  /** How many texts a person has to read. */
  readonly texts: number;
  /** Children with a paper program that changed since it was printed. */
  readonly toPrint: readonly ChildToDo[];
}

export async function toDoOf(work: Work, context: Context, children: readonly Child[], today: CalendarDay): Promise<ToDo> {
  const ids = children.map(({ id }) => id);
  const called = (wanted: ReadonlySet<number>) =>
    children.filter(({ id }) => wanted.has(id)).map((child) => ({ childId: child.id, name: nameOf(child) }));
  const unread = (await openStops(work, ids)).filter(({ readers }) => readers.length === 0).map(({ childId }) => childId);
  return {
    hurt: called(new Set(unread)),
    slips: await slipsMissing(work, children, addDays(mondayOf(today), -7)),
    texts: (await textsWaiting(work, context, ids)).length,
    toPrint: await toPrint(work, children, today),
  };
}

/** Families on paper whose program has changed since it was printed, and has not ended. */
export async function toPrint(work: Work, children: readonly Child[], today: CalendarDay): Promise<ChildToDo[]> {
  const onPaper = children.filter(({ reportWay }) => reportWay === 'paper');
  const unprinted = new Set(
    await unprintedOf(
      work,
      onPaper.map(({ id }) => id),
      today,
    ),
  );
  return onPaper.filter(({ id }) => unprinted.has(id)).map((child) => ({ childId: child.id, name: nameOf(child) }));
}

/** Finds missing slips of a week: paper families whose program was active then, without a report since the week began. */
export async function slipsMissing(work: Work, children: readonly Child[], monday: CalendarDay): Promise<ToDo['slips']> {
  const onPaper = children.filter(({ reportWay }) => reportWay === 'paper');
  const ids = onPaper.map(({ id }) => id);
  const words = await lastWords(work, ids);
  const programs = await currentVersions(work, ids);
  return onPaper
    .filter(({ id }) => {
      return isActiveIn(programs.get(id), monday, addDays(monday, 6)) && (words.get(id) ?? '') < monday;
    })
    .map((child) => ({ childId: child.id, name: nameOf(child), monday }));
}
