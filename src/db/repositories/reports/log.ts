import type { CalendarDay } from '@/core/calendar';
import type { ReportWay } from '@/core/reports';
import { tablesOf, type Work } from '../../work';
import { FROM_LOG, LOG, toLogEntry, type LogEntry, type RawLogEntry } from './read';

/**
 * Locks a student for typing in reports, one person after the other: the second reads what the first has written. Called before
 * anything is read.
 */
export async function lockForTyping(work: Work, childId: number): Promise<void> {
  await tablesOf(work).select('SELECT id FROM children WHERE id = :childId FOR UPDATE', { childId });
}

/** Filters of the report list. */
export interface LogOptions {
  readonly way: ReportWay | null;
  readonly since: CalendarDay | null;
  readonly until: CalendarDay | null;
  /** Only what hurt, only questions, only what was put right. */
  readonly only: 'hurt' | 'question' | 'corrected' | null;
  /** Letters that stand in the family's words. */
  readonly words: string;
  /** Entries that came in before this one: the next page. */
  readonly beforeId: number | null;
}

const ONLY = {
  hurt: 'AND r.danger IS NOT NULL',
  question: 'AND r.is_question = 1',
  corrected: 'AND r.corrected_at IS NOT NULL',
} as const;

/** Reports of these children, whichever way and however old, the latest that came in first. */
export async function logOf(work: Work, childIds: readonly number[], options: LogOptions, most: number): Promise<LogEntry[]> {
  if (childIds.length === 0) return [];
  const { way, since, until, only, words, beforeId } = options;
  const rows = await tablesOf(work).select<RawLogEntry>(
    `SELECT ${LOG} ${FROM_LOG} WHERE r.child_id IN (:childIds) ${way ? 'AND r.way = :way' : ''} ${since ? 'AND r.done_on >= :since' : ''}
       ${until ? 'AND r.done_on <= :until' : ''} ${only ? ONLY[only] : ''} ${words ? 'AND r.words LIKE :pattern' : ''}
       ${beforeId === null ? '' : 'AND r.id < :beforeId'} ORDER BY r.id DESC LIMIT :most`,
    { childIds, way, since, until, beforeId, pattern: `%${words.replace(/[%_\\]/g, (sign) => `\\${sign}`)}%`, most },
  );
  return rows.map(toLogEntry);
}
