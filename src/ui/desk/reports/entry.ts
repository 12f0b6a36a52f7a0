import type { DateOrder } from '@/core/students';
import type { EntryWay, ReportColumn } from '@/core/reports';

/** A slip as it is typed, for the server. */
export interface SlipTyped {
  readonly childId: number;
  readonly entryId: string;
  readonly way: string;
  readonly saidBy: string;
  readonly words: string;
  readonly isQuestion: boolean;
  readonly boxes: readonly { readonly taskId: number; readonly doneOn: string; readonly text: string }[];
  readonly textId: number | null;
  /** The number of the printed log; null for what came by another way. */
  readonly log: number | null;
}

export type SlipTaken =
  | { readonly ok: true; readonly stored: number; readonly closed: boolean }
  /** `boxes`: what is wrong, by `task:day`. */
  | { readonly ok: false; readonly words: string; readonly boxes: Readonly<Record<string, string>> };

export type EnterPaperLog = (slip: SlipTyped) => Promise<SlipTaken>;

/** The number of the printed log in its code, “student-log”; null where there is none. */
export function logIn(text: string): string | null {
  return /^\d+-(\d+)$/.exec(text.trim())?.[1] ?? null;
}

/** The code of a printed log begins with its student; a name finds its student by its beginning. Null where nothing or more than one fits. */
export function childFor(text: string, children: readonly { readonly id: number; readonly name: string }[]): number | null {
  const wanted = text.trim().toLowerCase();
  const code = /^(\d+)(?:-\d+)?$/.exec(wanted);
  if (code) return children.find(({ id }) => id === Number(code[1]))?.id ?? null;
  const exact = children.filter(({ name }) => name.toLowerCase() === wanted);
  const fits = exact.length > 0 ? exact : children.filter(({ name }) => name.toLowerCase().startsWith(wanted));
  return wanted !== '' && fits.length === 1 ? fits[0]!.id : null;
}

/** A list of reports as it was pasted, and how a person matched it. */
export interface ReportsOptions {
  readonly text: string;
  readonly columns?: (ReportColumn | null)[];
  readonly dateOrder?: DateOrder;
  readonly way: EntryWay;
}
