import { adherenceRange, type DayWord, type DoseGiven } from '@/core/adherence';
import type { DecisionKind } from '@/core/review';
import type { DoseUnit } from '@/core/dose';
import type { Skill } from '@/core/vocabulary';
import {
  DEFAULT_CASELOAD_COLUMNS,
  isSilent,
  type CaseloadColumn,
  type RowTimeline,
  type CaseloadGroup,
  type CaseloadRow,
} from '@/core/caseload';

/** A task on its step: which task of the sheet, the step, its name, the days spent on each step; 1 where it is closed. */
type SheetTimeline = readonly [task: number, step: number, stepName: string, daysSpent: readonly number[], closed?: 1];
/** A task's dose: which task of the sheet, −1 for one that is not in the program any more; given, asked, unit. */
type SheetDose = readonly [task: number, given: number, asked: number, unit: DoseUnit];

export interface SheetRow {
  readonly id: number;
  readonly name: string;
  readonly timelines: readonly SheetTimeline[];
  /** A letter a day, see `DAY_LETTERS`. */
  readonly days: string;
  readonly practiced: readonly [planned: number, knownDone: number, saidNotDone: number];
  readonly share: number | null;
  readonly doses: readonly SheetDose[];
  readonly uncounted: number;
  /** Days since the last report; null where none ever came. */
  readonly since: number | null;
  /** No report for a week, though one is expected; left out where it is not so. */
  readonly isSilent?: true;
  /** The program's last day, the next review of a goal, who is reached first; left out where there is none. */
  readonly ends?: string;
  readonly review?: string;
  readonly contact?: string;
  /** Day until which it is paused, or a mark that a person ended it; left out where practice is asked for. */
  readonly rest?: string;
  /** Cards of Rounds that wait, each by its kind and key; left out where none does. */
  readonly waits?: readonly (readonly [kind: DecisionKind, key: string])[];
}

/**
 * The yard as it travels to the browser. The rows are told twice in a page, drawn and as data for the scripts, so the data is
 * kept short: each task once, however many children do it, and numbers where words follow from them.
 */
export interface CaseloadSheet {
  readonly span: readonly [from: string, to: string];
  readonly today: string;
  readonly columns: readonly CaseloadColumn[];
  readonly dayCount: number;
  readonly tasks: readonly { readonly title: string; readonly demands: readonly number[]; readonly skill: Skill }[];
  readonly groups: readonly SheetGroup[];
}

export interface SheetGroup {
  readonly title: string | null;
  readonly visitDays: string;
  readonly rows: readonly SheetRow[];
}

export const ENDED = 'ended';

type Waiting = ReadonlyMap<number, readonly { readonly kind: DecisionKind; readonly key: string }[]>;

const DAY_LETTERS = { done: 'd', partly: 'p', saidNotDone: 'n', noWord: '-', free: ' ', open: 'o' } as const satisfies Record<
  DayWord,
  string
>;
const DAY_WORDS = Object.fromEntries(Object.entries(DAY_LETTERS).map(([word, letter]) => [letter, word])) as Record<string, DayWord>;

/** Days are whole pixels in the end: a thousandth of a demand, a tenth of a repetition are finer than any drawing or word. */
const round = (value: number, places: number) => Math.round(value * 10 ** places) / 10 ** places;

export function caseloadSheet(
  days: readonly string[],
  groups: readonly CaseloadGroup[],
  waiting: Waiting = new Map(),
  columns = DEFAULT_CASELOAD_COLUMNS,
): CaseloadSheet {
  const tasks = new Map<string, { index: number; title: string; demands: readonly number[]; skill: Skill }>();
  const indexOf = ({ title, demands, skill }: RowTimeline): number => {
    const task = { index: tasks.size, title: title.en, demands: demands.map((demand) => round(demand, 3)), skill };
    const key = JSON.stringify([task.title, task.demands]);
    if (!tasks.has(key)) tasks.set(key, task);
    return tasks.get(key)!.index;
  };
  const sheetRow = ({
    childId,
    name,
    timelines,
    practice,
    daysSinceWord,
    daysWithoutReport,
    rest,
    endsOn,
    reviewOn,
    contact,
  }: CaseloadRow): SheetRow => {
    const { planned, knownDone, saidNotDone } = practice.adherence;
    return {
      id: childId,
      name,
      timelines: timelines.map((timeline) => {
        const { step, stepName, daysSpent } = timeline;
        return timeline.closed ? [indexOf(timeline), step, stepName.en, daysSpent, 1] : [indexOf(timeline), step, stepName.en, daysSpent];
      }),
      days: practice.days.map(({ word }) => DAY_LETTERS[word]).join(''),
      practiced: [planned, knownDone, saidNotDone],
      share: practice.dose.share === null ? null : round(practice.dose.share, 3),
      doses: practice.dose.tasks.map(({ taskId, given, asked, unit }) => {
        const timeline = timelines.find((each) => each.taskId === taskId);
        return [timeline ? indexOf(timeline) : -1, round(given, 1), round(asked, 1), unit];
      }),
      uncounted: practice.dose.uncounted,
      since: daysSinceWord,
      ...(isSilent({ daysWithoutReport }) && { isSilent: true }),
      ...(waiting.has(childId) && { waits: waiting.get(childId)!.map(({ kind, key }) => [kind, key] as const) }),
      ...(endsOn && columns.includes('ends') && { ends: endsOn }),
      ...(reviewOn && columns.includes('review') && { review: reviewOn }),
      ...(contact && columns.includes('contact') && { contact }),
      ...(rest && { rest: rest.kind === 'ended' ? ENDED : rest.day }),
    };
  };
  const told = groups.map(({ title, visitDays, rows }) => ({ title, visitDays, rows: rows.map(sheetRow) }));
  return {
    span: [days[0]!, days.at(-1)!],
    today: days.at(-1)!,
    columns,
    dayCount: days.length,
    tasks: [...tasks.values()].map(({ title, demands, skill }) => ({ title, demands, skill })),
    groups: told,
  };
}

export const daysOf = ({ days }: SheetRow): { readonly word: DayWord }[] => [...days].map((letter) => ({ word: DAY_WORDS[letter]! }));

export const adherenceOf = ({ practiced: [planned, knownDone, saidNotDone] }: SheetRow) =>
  adherenceRange({ planned, knownDone, saidNotDone });

export const doseOf = ({ share, doses, uncounted }: SheetRow): DoseGiven => ({
  share,
  uncounted,
  tasks: doses.map(([taskId, given, asked, unit]) => ({ taskId, given, asked, unit, share: Math.min(1, asked > 0 ? given / asked : 1) })),
});
