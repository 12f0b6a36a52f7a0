import { calendarDayInZone } from '@/core/calendar';
import { dayLocale, longDay } from '../../shared/days';
import type { FamilyWords } from '../../shared/familyWords';
import type { FamilyView } from '@/server/reports/viewFamily';

/** Shows the therapist's notes, latest first, in the language they were written in; and the tasks that a person reopened. */
export function Notes({ view, words }: { view: FamilyView; words: FamilyWords }) {
  const { t, local, language } = words;
  const locale = dayLocale(language);
  const titleOf = (taskId: number | null) => {
    const found = [...view.tasks, ...view.otherTasks].find(({ task }) => task.taskId === taskId);
    return found ? local(found.task.content.title) : '';
  };
  const dayOf = (at: FamilyView['notes'][number]['writtenAt']) => longDay(calendarDayInZone(at, view.child.timeZone), locale);
  const open = view.lifts.filter(({ taskId, fromDay }) => fromDay !== null && titleOf(taskId) !== '' && !isClosed(view, taskId));
  if (view.notes.length + open.length === 0) return null;
  return (
    <section className="sheet mt-3" aria-labelledby="notes-title">
      <h2 id="notes-title" className="text-[1.06rem]">
        {t('notesTitle')}
      </h2>
      {open.map((lift) => (
        <p key={lift.liftedAt} className="mt-1">
          {t('lifted', { task: titleOf(lift.taskId), day: longDay(lift.fromDay!, locale), who: lift.liftedByName })}
        </p>
      ))}
      {view.notes.map((note) => (
        <p key={note.id} className="mt-1.5" dir="auto">
          <span className="block text-[0.88rem] text-soft">
            {t('noteFrom', { who: note.writtenByName, day: dayOf(note.writtenAt) })} {titleOf(note.taskId)}
          </span>
          {note.words}
        </p>
      ))}
    </section>
  );
}

function isClosed(view: FamilyView, taskId: number): boolean {
  return [...view.tasks, ...view.otherTasks].some(({ task, closed }) => task.taskId === taskId && closed?.kind === 'stop');
}
