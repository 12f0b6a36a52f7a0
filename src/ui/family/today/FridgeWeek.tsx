import { addDays, weekdayOf } from '@/core/calendar';
import { doseAt } from '@/core/dose';
import { callChild } from '@/core/tasks';
import type { FamilyView } from '@/server/reports/viewFamily';
import { briefWeekday, dayLocale } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';
import { targetWords } from '../../task/targetWords';

const WEEK = 7;

/** The page for the fridge: on paper alone, the seven days from today, a box to cross for each task on each of its days. */
export function FridgeWeek({ view, words }: { view: FamilyView; words: FamilyWords }) {
  const { tasks, otherTasks, today, child } = view;
  const { t, local, language } = words;
  const days = Array.from({ length: WEEK }, (_, index) => addDays(today, index));
  return (
    <table className="fridge">
      <thead>
        <tr>
          <th scope="col">
            <span className="sr-only">{t('today')}</span>
          </th>
          {days.map((day) => (
            <th key={day} scope="col">
              {briefWeekday(day, dayLocale(language))}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {[...tasks, ...otherTasks].map(({ task, closed }) => {
          const content = callChild(task.content, { en: child.calledName });
          return (
            <tr key={task.versionTaskId}>
              <th scope="row">
                <strong>{local(content.title)}</strong>
                {closed ? (
                  <span>{t('onHold')}</span>
                ) : (
                  <>
                    <span>{local(content.ladder.steps[task.step - 1]!.how)}</span>
                    <span>{targetWords(doseAt(task.dose, task.step), words)}</span>
                  </>
                )}
              </th>
              {days.map((day) => (
                <td key={day}>{!closed && task.weekdays.includes(weekdayOf(day)) && <i className="cross-off" />}</td>
              ))}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
