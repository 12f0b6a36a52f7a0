import { AUDIT_ACTIONS, type AuditAction, type AuditDetail } from '@/core/auditActions';
import type { Instant } from '@/core/calendar';
import { oneOf } from '../../rows/columns';
import { tablesOf, type Work } from '../../work';

export interface AuditRow {
  readonly id: number;
  readonly at: Instant;
  /** Null for a family, and for a person who is gone. */
  readonly who: string | null;
  readonly byFamily: boolean;
  readonly action: AuditAction;
  readonly numbers: AuditDetail;
}

/** Lists who looked at a student's record and who changed what, newest first. */
export async function auditOf(work: Work, childId: number, most: number): Promise<AuditRow[]> {
  const rows = await tablesOf(work).select<Omit<AuditRow, 'byFamily' | 'action'> & { byFamily: number; action: unknown }>(
    `SELECT a.id, a.at, p.name AS who, a.link_id IS NOT NULL AS byFamily, a.action, a.numbers
     FROM audit_group_children g JOIN audit a ON a.group_id = g.group_id LEFT JOIN people p ON p.id = a.person_id
     WHERE g.child_id = :childId ORDER BY a.at DESC, a.id DESC LIMIT :most`,
    { childId, most },
  );
  return rows.map((row) => ({ ...row, byFamily: Boolean(row.byFamily), action: oneOf('action', AUDIT_ACTIONS, row.action) }));
}

/** Lists the events of a person's own account, newest first. */
export async function ownTrail(work: Work, personId: number, most: number): Promise<AuditRow[]> {
  return trailWhere(work, `a.person_id = :personId AND a.group_id IS NULL AND ${NOT_A_LOOK}`, { personId }, most);
}

/** Lists the events of people and the workplace that concern no student, newest first. */
export async function workplaceTrail(work: Work, most: number): Promise<AuditRow[]> {
  return trailWhere(work, `a.group_id IS NULL AND ${NOT_A_LOOK}`, {}, most);
}

const NOT_A_LOOK = "a.action NOT LIKE '%.viewed'";

async function trailWhere(work: Work, where: string, values: Record<string, unknown>, most: number): Promise<AuditRow[]> {
  const rows = await tablesOf(work).select<Omit<AuditRow, 'byFamily' | 'action'> & { byFamily: number; action: unknown }>(
    `SELECT a.id, a.at, p.name AS who, a.link_id IS NOT NULL AS byFamily, a.action, a.numbers
     FROM audit a LEFT JOIN people p ON p.id = a.person_id WHERE ${where} ORDER BY a.id DESC LIMIT :most`,
    { ...values, most },
  );
  return rows.map((row) => ({ ...row, byFamily: Boolean(row.byFamily), action: oneOf('action', AUDIT_ACTIONS, row.action) }));
}
