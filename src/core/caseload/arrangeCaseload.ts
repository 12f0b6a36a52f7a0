import type { CalendarDay } from '../calendar';
import { isEnding, SILENCE_DAYS } from '../programs';
import { plain } from '../text';
import type { CaseloadRow, CaseloadSpan } from './caseloadRow';

export const CASELOAD_SORTS = ['name', 'word', 'practised', 'dose'] as const;
export type CaseloadSort = (typeof CASELOAD_SORTS)[number];
export const CASELOAD_FILTERS = ['everyone', 'silent', 'struggling', 'ending'] as const;
export type CaseloadFilter = (typeof CASELOAD_FILTERS)[number];

/** Columns that a row may show beside the student's name. */
export const CASELOAD_COLUMNS = ['steps', 'days', 'dose', 'skills', 'practiced', 'word', 'ends', 'review', 'contact'] as const;
export type CaseloadColumn = (typeof CASELOAD_COLUMNS)[number];
export const DEFAULT_CASELOAD_COLUMNS: readonly CaseloadColumn[] = ['steps', 'days', 'dose', 'practiced', 'word'];

export interface CaseloadQuery {
  readonly search: string;
  readonly filter: CaseloadFilter;
  readonly sort: CaseloadSort;
  /** A school's name, or null for all. */
  readonly school: string | null;
  readonly bySchool: boolean;
  /** For how many days back practice is shown; a fortnight where nothing is said. */
  readonly span?: CaseloadSpan;
  /** Which columns are shown, in the order of `CASELOAD_COLUMNS`; the usual ones where nothing is said. */
  readonly columns?: readonly CaseloadColumn[];
}

export interface CaseloadGroup {
  readonly title: string | null;
  readonly visitDays: string;
  readonly rows: readonly CaseloadRow[];
}

const NO_REPORT = 'no report';

/** Sorts, filters and groups the rows as wished. Names sort as people read them; the rest puts first what needs a look. */
export function arrangeCaseload(rows: readonly CaseloadRow[], options: CaseloadQuery, today: CalendarDay): CaseloadGroup[] {
  const found = rows.filter((row) => matches(row, options, today)).sort(ORDERS[options.sort]);
  if (!options.bySchool) return found.length ? [{ title: null, visitDays: '', rows: found }] : [];
  const schools = [...new Set(found.map((row) => row.school))].sort((a, b) => a.localeCompare(b, 'en'));
  return schools.map((school) => {
    const own = found.filter((row) => row.school === school);
    return { title: school, visitDays: own[0]!.visitDays, rows: own };
  });
}

/** True where a report is expected and none has come for a week. */
export function isSilent({ daysWithoutReport }: Pick<CaseloadRow, 'daysWithoutReport'>): boolean {
  return daysWithoutReport !== null && daysWithoutReport >= SILENCE_DAYS;
}

function matches(row: CaseloadRow, { search, filter, school }: CaseloadQuery, today: CalendarDay): boolean {
  if (school !== null && row.school !== school) return false;
  if (filter === 'silent' && !isSilent(row)) return false;
  if (filter === 'struggling' && !row.practice.days.some((day) => day.word === 'saidNotDone' || day.word === 'partly')) return false;
  if (filter === 'ending' && !(row.endsOn && isEnding({ endsOn: row.endsOn, isEnded: row.rest?.kind === 'ended' }, today))) return false;
  const words = plain(search);
  // Silence is a fact, too, and no two words of which one stands in every row.
  if (words.includes(NO_REPORT) && !isSilent(row)) return false;
  const wanted = words.replace(NO_REPORT, ' ').split(/\s+/).filter(Boolean);
  const text = plain(
    [row.name, row.school, row.facts, ...row.timelines.flatMap((timeline) => [timeline.title.en, timeline.stepName.en])].join(' '),
  );
  return wanted.every((word) => text.includes(word));
}

const byName = (a: CaseloadRow, b: CaseloadRow) => a.name.localeCompare(b.name, 'en');
/** Known shares sort first, then the lowest possible share: no end of a range alone. Students of whom nothing was asked sort first. */
const byPractice = (a: CaseloadRow, b: CaseloadRow) =>
  (a.practice.adherence.low ?? -1) - (b.practice.adherence.low ?? -1) ||
  (a.practice.adherence.high ?? -1) - (b.practice.adherence.high ?? -1);
const byDose = (a: CaseloadRow, b: CaseloadRow) => (a.practice.dose.share ?? -1) - (b.practice.dose.share ?? -1);

const ORDERS: Record<CaseloadSort, (a: CaseloadRow, b: CaseloadRow) => number> = {
  name: byName,
  word: (a, b) => (b.daysSinceWord ?? Infinity) - (a.daysSinceWord ?? Infinity) || byName(a, b),
  practised: (a, b) => byPractice(a, b) || byName(a, b),
  dose: (a, b) => byDose(a, b) || byName(a, b),
};
