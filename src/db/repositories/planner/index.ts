import type { Instant } from '@/core/calendar';
import { tablesOf, type Work } from '../../work';

/** The planner's proposal for a student. */
export interface WeekPlanRow {
  readonly childId: number;
  readonly madeAt: Instant;
  /** The version that it goes on from. */
  readonly baseVersion: number;
  /** As it was written; whoever reads it knows its form. */
  readonly content: unknown;
}

const parsed = (json: unknown): unknown => (typeof json === 'string' ? JSON.parse(json) : json);

export async function weekPlansOf(work: Work, childIds: readonly number[]): Promise<WeekPlanRow[]> {
  if (childIds.length === 0) return [];
  const rows = await tablesOf(work).select<WeekPlanRow>(
    'SELECT child_id AS childId, made_at AS madeAt, base_version AS baseVersion, content FROM week_plans WHERE child_id IN (:childIds)',
    { childIds },
  );
  return rows.map((row) => ({ ...row, content: parsed(row.content) }));
}

/** The newest proposal stands in place of the one before. */
export async function saveWeekPlan(work: Work, plan: WeekPlanRow & { readonly by: number }): Promise<void> {
  const tables = tablesOf(work);
  await tables.remove('week_plans', { child_id: plan.childId });
  await tables.insert('week_plans', {
    child_id: plan.childId,
    made_by: plan.by,
    made_at: plan.madeAt,
    base_version: plan.baseVersion,
    content: plan.content as object,
  });
}

export async function deleteWeekPlan(work: Work, childId: number): Promise<boolean> {
  return (await tablesOf(work).remove('week_plans', { child_id: childId })) > 0;
}

/** A week to begin from again. */
export interface WeekTemplate {
  readonly id: number;
  readonly name: string;
  readonly content: unknown;
}

export async function weekTemplatesOf(work: Work, personId: number): Promise<WeekTemplate[]> {
  const rows = await tablesOf(work).select<WeekTemplate>(
    'SELECT id, name, content FROM week_templates WHERE person_id = :personId ORDER BY name',
    { personId },
  );
  return rows.map((row) => ({ ...row, content: parsed(row.content) }));
}

/** The same name again is another week under that name. */
export async function saveWeekTemplate(work: Work, personId: number, name: string, content: object): Promise<void> {
  const tables = tablesOf(work);
  await tables.remove('week_templates', { person_id: personId, name });
  await tables.insert('week_templates', { person_id: personId, name, content });
}

export async function deleteWeekTemplate(work: Work, personId: number, id: number): Promise<boolean> {
  return (await tablesOf(work).remove('week_templates', { person_id: personId, id })) > 0;
}
