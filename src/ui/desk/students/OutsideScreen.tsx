import Link from 'next/link';
import { nameOf } from '@/core/students';
import type { OutsideView } from '@/server/students/viewOutside';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { WeekdayChecks } from '../parts/WeekdayChecks';

interface Props {
  readonly view: OutsideView;
  readonly setReminders: WordedAction;
  readonly makeTeacherLink: WordedAction;
  readonly revokeTeacherLinks: WordedAction;
}

/** Reminders and the teacher's link: what goes out beside the program. */
export function OutsideScreen({ view, setReminders, makeTeacherLink, revokeTeacherLinks }: Props) {
  const { child, reminders, ways, isStopped, teacherLinks } = view;
  const hidden = { childId: child.id };
  return (
    <div className="max-w-[760px] space-y-8">
      <h1 className="text-[24px]">
        Reminders and teacher:{' '}
        <Link href={`/students/${child.id}`} prefetch={false} className="hover:underline">
          {nameOf(child)}
        </Link>
      </h1>
      <section>
        <h2 className="text-[18px]">Reminders</h2>
        <p className="mt-1 text-soft">
          The family sets these on their page. Reminders are never sent in quiet hours, or after all of the day’s activities are reported.
          If nothing is checked, no reminders are sent.
        </p>
        {isStopped && <p className="mt-2 font-semibold text-brick">This number replied STOP. Nothing is sent until it replies START.</p>}
        <ActionForm action={setReminders} hidden={hidden} className="mt-2">
          <span className="flex flex-wrap items-center gap-4">
            <WeekdayChecks chosen={reminders.weekdays} />
          </span>
          <span className="mt-3 flex flex-wrap items-center gap-4">
            <label>
              at <input type="time" name="at" defaultValue={reminders.at} className="field w-[130px]" required />
            </label>
            <label className="flex items-center gap-1.5">
              <input
                type="checkbox"
                name="afterSilence"
                value="yes"
                defaultChecked={reminders.afterSilence}
                className="size-4 accent-green"
              />{' '}
              One friendly message after a week without a report, at most weekly
            </label>
            {ways.length > 1 && (
              <label>
                By{' '}
                <select name="way" defaultValue={reminders.way ?? 'text'} className="field">
                  <option value="text">Text message</option>
                  <option value="email">Email</option>
                </select>
              </label>
            )}
            <label className="flex items-center gap-1.5">
              <input type="checkbox" name="mayName" value="yes" defaultChecked={reminders.mayName} className="size-4 accent-green" /> the
              family agreed that messages may include the first name
            </label>
            <button className="act">Save</button>
          </span>
        </ActionForm>
      </section>
      <section>
        <h2 className="text-[18px]">Teacher link</h2>
        <p className="mt-1 text-soft">
          With this link, a teacher can print the program and send you a question. It shows the student’s first name, and no reports.
        </p>
        <ul className="mt-2">
          {teacherLinks.map((address) => (
            <li key={address} className="[overflow-wrap:anywhere]">
              {address}
            </li>
          ))}
        </ul>
        <span className="mt-2 flex gap-4">
          <ActionForm action={makeTeacherLink} hidden={hidden}>
            <button className="act">Create a link</button>
          </ActionForm>
          {teacherLinks.length > 0 && (
            <ActionForm action={revokeTeacherLinks} hidden={hidden}>
              <button className="act">{teacherLinks.length > 1 ? 'Turn off' : 'Turn it off'}</button>
            </ActionForm>
          )}
        </span>
      </section>
    </div>
  );
}
