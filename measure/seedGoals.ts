import { randomUUID } from 'node:crypto';
import { addDays, calendarDayInZone } from '@/core/calendar';
import type { GoalContent } from '@/core/goals';
import { addGoal, addMeasurement, addSchoolYear, goalsOf, inTransaction } from '@/db';
import type { Context } from '@/server/context';
import { rowsOf } from '../scripts/sql';

const DAYS = 120;
const MEASURES = 8;
const ZONE = 'America/Denver';

/** Two goals for each of so many children, each measured eight times, and a reporting period; made once. */
export async function seedGoals({ db, now: clock }: Context, children: number): Promise<void> {
  const now = clock();
  const today = calendarDayInZone(now, ZONE);
  const begun = addDays(today, -DAYS);
  const ids = await rowsOf<{ id: number }>(db, 'SELECT id FROM children ORDER BY id LIMIT :children', { children });
  const tasks = await rowsOf<{ id: number }>(db, 'SELECT id FROM tasks ORDER BY id LIMIT 2');
  await inTransaction(db, async (work) => {
    if ((await goalsOf(work, ids.at(-1)!.id)).length > 0) return;
    await addSchoolYear(work, {
      firstDay: addDays(begun, -30),
      lastDay: addDays(today, 150),
      breaks: [],
      periods: [{ name: 'Report', from: begun, to: addDays(today, 30) }],
    });
    for (const { id: childId } of ids)
      for (const [index, task] of tasks.entries()) {
        const content: GoalContent = {
          skill: 'bilateralCoordination',
          statement: 'Holds with one hand what the other one works on',
          measure: { kind: 'count', of: 10, from: 2, to: 8, baselineOn: begun },
          mostHelp: 'words',
          sessions: 3,
          reviewOn: addDays(today, 40),
          taskIds: [task.id],
        };
        const goalId = await addGoal(work, childId, { content, why: '', writtenBy: 1, writtenAt: now });
        for (let nth = 1; nth <= MEASURES; nth += 1) {
          const good = Math.min(10, 2 + Math.floor(((nth + index) * ((childId % 5) + 1)) / 6));
          const nothing = { taskId: null, step: null, level: null, minutes: null, watched: {}, note: '' };
          await addMeasurement(
            work,
            childId,
            { ...nothing, goalId, measuredOn: addDays(begun, nth * 14), good, trials: 10, help: 'words' },
            { entryKey: randomUUID(), by: 1, at: now },
          );
        }
      }
  });
}
