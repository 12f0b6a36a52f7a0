import type { PracticeReport } from '@/core/adherence';
import type { Child } from '@/core/students';
import type { ProgramVersion, SentVersion } from '@/core/programs';
import type { CalendarDay } from '@/core/calendar';
import { groupBy } from '@/core/groupBy';
import {
  currentVersions,
  gradeChanges,
  lastWords,
  nextReviews,
  openStops,
  practiceSince,
  versionsSince,
  type RecordedChange,
  type Stop,
  type Work,
} from '@/db';

/** Facts for rows of the caseload, for any number of students in a constant number of queries. */
export interface CaseloadFacts {
  readonly current: Map<number, ProgramVersion>;
  readonly versions: Map<number, SentVersion[]>;
  readonly changes: Map<number, RecordedChange[]>;
  readonly reports: Map<number, PracticeReport[]>;
  readonly lastWords: Map<number, CalendarDay>;
  readonly stops: Map<number, readonly Stop[]>;
  /** The next review of an open goal. */
  readonly reviews: Map<number, CalendarDay>;
}

export async function loadCaseload(work: Work, children: readonly Child[], since: CalendarDay): Promise<CaseloadFacts> {
  const childIds = children.map((child) => child.id);
  return {
    current: await currentVersions(work, childIds),
    versions: await versionsSince(work, childIds, since),
    changes: groupBy(await gradeChanges(work, childIds), (change) => change.childId),
    reports: await practiceSince(work, childIds, since),
    lastWords: await lastWords(work, childIds),
    stops: groupBy(await openStops(work, childIds), (stop) => stop.childId),
    reviews: await nextReviews(work, childIds),
  };
}
