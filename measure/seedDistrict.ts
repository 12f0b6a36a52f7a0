import { addDays, calendarDayInZone } from '@/core/calendar';
import { calculateDose } from '@/core/dose';
import { addPerson, addSchool, addTaskVersion, inTransaction, setUpWorkplace, type Database } from '@/db';
import { rowsOf } from '../scripts/sql';
import type { Context } from '@/server/context';
import { hashPassword } from '@/server/accounts/signIn';
import { loadLibrary } from '../library/loadLibrary';

export const BENCH_EMAIL = 'bench@tarrowhill.example';
export const BENCH_PASSWORD = 'bench-password';
export const CASELOAD = 60;
const REPORTS_PER_CHILD = 300;
const TASKS = 3;
const ZONE = 'America/Denver';

/** Measuring takes the reports of the last days away and makes new ones: a district that lacks so few of them is whole. */
const WHOLE_SHARE = 0.99;

/** A district: one therapist with 60 children among thousands, and so many reports. Made by the server itself, once. */
export async function seedDistrict(context: Context, reports: number): Promise<void> {
  const { db } = context;
  const [known] = await rowsOf<{ reports: number }>(db, 'SELECT COUNT(*) AS reports FROM reports');
  if (known!.reports < reports * WHOLE_SHARE) await make(context, reports);
  // A district grows over years, and the server counts its tables meanwhile; of one that was made in a minute it knows nothing yet.
  await rowsOf(db, 'ANALYZE TABLE reports, children, child_access, programs, program_versions, version_tasks, grade_changes, messages');
}

async function make(context: Context, reports: number): Promise<void> {
  const { db } = context;
  const children = Math.max(CASELOAD, Math.ceil(reports / REPORTS_PER_CHILD));
  const now = context.now();
  const today = calendarDayInZone(now, ZONE);
  const passwordHash = await hashPassword(BENCH_PASSWORD);
  const tasks = await inTransaction(db, async (work) => {
    await addPerson(work, { name: 'Bench Therapist', email: BENCH_EMAIL, role: 'therapist', passwordHash }, now);
    await addSchool(work, 'Slateway Elementary School', 'Mon');
    await setUpWorkplace(work, { emergencyNumber: '911', timeZone: ZONE });
    const added = [];
    for (const content of loadLibrary().slice(0, TASKS)) added.push(await addTaskVersion(work, content, now));
    return added;
  });
  const run = (sql: string, replacements: Record<string, unknown> = {}, before: readonly string[] = []) =>
    statement(db, sql, replacements, before);
  await run(
    `INSERT INTO children (called_name, initial, school_id, born_on, hand, mouths_things, scissors_allowed, has_printer, minutes_per_day, family_language, home_languages, allergies,
       textures_avoided, materials_at_home, helpers, report_way, time_zone, created_at)
     SELECT CONCAT('Child', seq), 'X', 1, '2020-05-05', 'right', 0, 1, 0, 20, 'en', '["en"]', '[]', '[]', '["paper"]', '', 'link', :ZONE, NOW(3) FROM seq_1_to_${children}`,
    { ZONE },
  );
  await run('INSERT INTO child_access (child_id, person_id, access) SELECT id, 1, "lead" FROM children ORDER BY id LIMIT ' + CASELOAD);
  await run('INSERT INTO programs (child_id, current_version, created_at) SELECT id, 1, NOW(3) FROM children');
  await run(
    `INSERT INTO program_versions (program_id, number, starts_on, ends_on, note, reason, sent_by, sent_at, sent_on)
     SELECT id, 1, :start, :end, '', 'sent', 1, NOW(3), :start FROM programs`,
    { start: addDays(today, -100), end: addDays(today, 20) },
  );
  for (const [position, { taskId, taskVersionId, content }] of tasks.entries()) {
    await run(
      `INSERT INTO version_tasks (program_version_id, task_id, task_version_id, position, part, step, choose_from, choose_to, weekdays, dose, target, step_since_version)
       SELECT id, :taskId, :taskVersionId, :position, :part, 3, 2, 4, '[1,2,3,4,5,6,7]', :dose, :target, 1 FROM program_versions`,
      {
        taskId,
        taskVersionId,
        position,
        part: content.part,
        dose: JSON.stringify(content.dose),
        target: calculateDose(content.dose, 7).perDay,
      },
    );
    await run(
      `INSERT INTO grade_changes (child_id, task_id, version_number, from_step, to_step, cause, decision_id, changed_by, changed_at, changed_on)
       SELECT id, :taskId, 1, NULL, 3, 'placed', NULL, 1, NOW(3), :start FROM children`,
      { taskId, start: addDays(today, -100) },
    );
  }
  await run(
    `INSERT INTO reports (idempotency_key, child_id, version_task_id, task_id, step, done, done_on, said_at, left_count, right_count, amount, help, effort, stop_reason, safety_word,
       is_question, words, said_by, way)
     SELECT UUID(), 1 + (seq - 1) % ${children}, 0, 1 + FLOOR((seq - 1) / ${children}) % ${TASKS}, 3, 1, DATE_SUB(:today, INTERVAL FLOOR((seq - 1) / ${children * TASKS}) DAY), NOW(3), NULL, NULL,
       seq % 11, 'words', 'right', NULL, 0, 0, IF(seq % 7 = 0, 'went well', ''), '', 'link' FROM seq_1_to_${reports}`,
    { today },
    ['SET foreign_key_checks = 0', 'SET unique_checks = 0'],
  );
  await run(
    'UPDATE reports r JOIN programs p ON p.child_id = r.child_id JOIN program_versions v ON v.program_id = p.id JOIN version_tasks t ON t.program_version_id = v.id AND t.task_id = r.task_id SET r.version_task_id = t.id',
  );
}

async function statement(db: Database, sql: string, replacements: Record<string, unknown>, before: readonly string[] = []): Promise<void> {
  await db.sequelize.transaction(async (transaction) => {
    for (const setting of before) await db.sequelize.query(setting, { transaction });
    await db.sequelize.query(sql, { replacements, transaction });
    if (before.length)
      for (const name of ['foreign_key_checks', 'unique_checks']) await db.sequelize.query(`SET ${name} = 1`, { transaction });
  });
}
