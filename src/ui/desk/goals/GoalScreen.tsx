import Link from 'next/link';
import { nameOf } from '@/core/students';
import type { GoalView } from '@/server/goals/viewGoal';
import { longDay, momentIn } from '../../shared/days';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { GoalForm, type WriteGoal } from './GoalForm.client';
import { criterionWords } from './goalWords';

/** A goal to write or to change, and its earlier versions. */
export function GoalScreen({ view, write, close }: { view: GoalView; write: WriteGoal; close: WordedAction }) {
  const { child, goal, history } = view;
  return (
    <>
      <h1 className="text-[24px]">
        <Link href={`/students/${child.id}`} prefetch={false} className="hover:underline">
          {nameOf(child)}
        </Link>{' '}
        <span className="font-text text-[16px] font-normal text-soft">{goal ? 'a goal' : 'New goal'}</span>
      </h1>
      <GoalForm view={view} write={write} />
      {goal && (
        <section className="mt-8 max-w-[860px] border-t border-line pt-3">
          <ActionForm action={close} hidden={{ childId: child.id, goalId: goal.id, isOpen: goal.closedOn === null ? 'no' : 'yes' }}>
            {goal.closedOn === null ? (
              <span className="flex flex-wrap items-end gap-3">
                <label className="block">
                  <span className="block text-[13px] font-semibold text-soft">Result: met, or why not</span>
                  <input name="why" required maxLength={300} className="field w-[320px]" />
                </label>
                <button className="act">Close this goal</button>
              </span>
            ) : (
              <span className="flex items-baseline gap-3">
                <span>
                  Closed {longDay(goal.closedOn)}. {goal.closedWhy}
                </span>
                <button className="act">Reopen</button>
              </span>
            )}
          </ActionForm>
        </section>
      )}
      {history.length > 0 && (
        <section className="mt-8 max-w-[860px]">
          <h2 className="text-[18px]">Versions</h2>
          <ul>
            {history.map((version) => (
              <li key={version.number} className="border-t border-line py-1">
                {version.number}, {momentIn(version.writtenAt, child.timeZone)}
                {version.who && `, ${version.who}`}: {version.content.statement}{' '}
                <span className="text-soft">{criterionWords(version.content)}</span>
                {version.why && ` “${version.why}”`}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
