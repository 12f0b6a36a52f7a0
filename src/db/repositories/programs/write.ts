import type { CalendarDay, Instant } from '@/core/calendar';
import { stepTargets, type TaskToFreeze } from '@/core/programs';
import { tablesOf, type Work } from '../../work';
import type { ChangeCause } from './read';

/** The child's program, locked until the transaction ends, so that two senders meet here. Made where there is none. */
export async function lockProgram(work: Work, childId: number, at: Instant): Promise<{ programId: number; currentVersion: number }> {
  const tables = tablesOf(work);
  await tables.select('SELECT id FROM children WHERE id = :childId FOR UPDATE', { childId });
  const [row] = await tables.select<{ id: number; current_version: number }>(
    'SELECT id, current_version FROM programs WHERE child_id = :childId FOR UPDATE',
    { childId },
  );
  if (row) return { programId: row.id, currentVersion: row.current_version };
  return { programId: await tables.insert('programs', { child_id: childId, current_version: 0, created_at: at }), currentVersion: 0 };
}

export interface NewVersion {
  readonly programId: number;
  readonly number: number;
  readonly startsOn: CalendarDay;
  readonly endsOn: CalendarDay;
  readonly note: string;
  readonly reason: 'sent' | 'regrade' | 'undo' | 'paused' | 'ended';
  readonly resumesOn: CalendarDay | null;
  readonly isEnded: boolean;
  readonly decisionId: number | null;
  readonly sentBy: number;
  readonly sentAt: Instant;
  readonly sentOn: CalendarDay;
  readonly tasks: readonly TaskToFreeze[];
}

/** Writes a frozen version and makes it the newest. */
export async function addVersion(work: Work, version: NewVersion): Promise<number> {
  const tables = tablesOf(work);
  const id = await tables.insert('program_versions', {
    program_id: version.programId,
    number: version.number,
    starts_on: version.startsOn,
    ends_on: version.endsOn,
    note: version.note,
    reason: version.reason,
    sent_by: version.sentBy,
    sent_at: version.sentAt,
    sent_on: version.sentOn,
    resumes_on: version.resumesOn,
    is_ended: version.isEnded,
    decision_id: version.decisionId,
  });
  await tables.insertAll(
    'version_tasks',
    version.tasks.map((task, position) => ({
      program_version_id: id,
      task_id: task.taskId,
      task_version_id: task.taskVersionId,
      position,
      part: task.part,
      step: task.step,
      choose_from: task.chooseFrom,
      choose_to: task.chooseTo,
      weekdays: task.weekdays,
      dose: task.dose,
      target: task.target,
      step_targets: stepTargets(task.dose),
      step_since_version: task.stepSinceVersion,
      choices: task.choices,
    })),
  );
  await tables.update('programs', { current_version: version.number }, { id: version.programId });
  return id;
}

export interface NewGradeChange {
  readonly childId: number;
  readonly taskId: number;
  readonly versionNumber: number;
  readonly fromStep: number | null;
  readonly toStep: number;
  readonly cause: ChangeCause;
  readonly reason: string;
  readonly decisionId: number | null;
  readonly changedBy: number;
  readonly changedAt: Instant;
  readonly changedOn: CalendarDay;
}

/** Writes who changed which step, when and why. */
export async function addGradeChange(work: Work, change: NewGradeChange): Promise<void> {
  await tablesOf(work).insert('grade_changes', {
    child_id: change.childId,
    task_id: change.taskId,
    version_number: change.versionNumber,
    from_step: change.fromStep,
    to_step: change.toStep,
    cause: change.cause,
    reason: change.reason,
    decision_id: change.decisionId,
    changed_by: change.changedBy,
    changed_at: change.changedAt,
    changed_on: change.changedOn,
  });
}

export async function saveDraft(work: Work, childId: number, content: object, savedBy: number, savedAt: Instant): Promise<void> {
  await deleteDraft(work, childId);
  await tablesOf(work).insert('program_drafts', { child_id: childId, content, saved_by: savedBy, saved_at: savedAt });
}

export async function deleteDraft(work: Work, childId: number): Promise<void> {
  await tablesOf(work).remove('program_drafts', { child_id: childId });
}

/** The version's paper was made: the bag has it. */
export async function markPrinted(work: Work, programId: number, number: number, at: Instant): Promise<void> {
  await tablesOf(work).update('program_versions', { printed_at: at }, { program_id: programId, number });
}
