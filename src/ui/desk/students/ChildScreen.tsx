import Link from 'next/link';
import { calendarDayInZone, daysBetween } from '@/core/calendar';
import { nameOf } from '@/core/students';
import type { ChildView } from '@/server/students/viewChild';
import { PracticeDots } from '../../stepTimeline/pips';
import { longDay } from '../../shared/days';
import { ChildFacts } from '../parts/ChildFacts';
import { adherenceHow } from '../parts/figures';
import { KeyCap } from '../parts/KeyCap';
import { ReportTable } from '../parts/ReportTable';
import { safetyWords } from '../parts/taskWords';
import { reviewAddress } from '../review/reviewAddress';
import { decisionTitle } from '../review/suggestionWords';
import { ChildFolds } from './ChildFolds';
import { FamilyLink } from './FamilyLink.client';
import { GoalsAndTasks } from './GoalsAndTasks';
import { LiftWords } from './LiftWords';
import type { ChildActs } from './childActs';

const LOG_SHOWN = 15;

/** Shows a student: goals and the tasks that serve them first, the rest folded. */
export function ChildScreen({ view, acts }: { view: ChildView; acts: ChildActs }) {
  const { child, program, practice } = view;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6 gap-y-2">
        <h1 className="text-[28px]">{nameOf(child)}</h1>
        <span>
          <PracticeDots days={practice.days} />
        </span>
        <span className="ml-auto flex flex-wrap gap-3">
          {view.mayChange && child.leftOn === null && (
            <Link href={`/students/${child.id}/measure`} prefetch={false} className="act" data-key="m" data-key-says="Collect school data">
              Collect data <KeyCap>M</KeyCap>
            </Link>
          )}
          {program && (
            <Link href={`/students/${child.id}/print`} prefetch={false} className="act" data-key="v" data-key-says="View on paper">
              On paper <KeyCap>V</KeyCap>
            </Link>
          )}
          {view.mayChange && child.leftOn === null && (
            <Link
              href={`/students/${child.id}/program`}
              prefetch={false}
              className="act act-main"
              data-key="b"
              data-key-says="Build the next program"
            >
              Build the next program <KeyCap>B</KeyCap>
            </Link>
          )}
        </span>
      </div>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <ChildFacts child={child} today={view.today} />
        {view.mayChange && (
          <Link
            href={`/students/${child.id}/record`}
            prefetch={false}
            className="link"
            data-key="f"
            data-key-says="Student information, and their history"
          >
            Student information <KeyCap>F</KeyCap>
          </Link>
        )}
      </div>
      <Alarms view={view} />
      <div className="mt-6 grid grid-cols-1 gap-x-8 gap-y-8 min-[1000px]:grid-cols-[minmax(0,1fr)_300px]">
        <div className="min-w-0 space-y-8">
          <GoalsAndTasks view={view} />
          <section>
            <h2 className="mb-1 text-[18px]">
              Log{' '}
              <span className="font-text text-[14px] font-normal text-soft">
                {practice.adherence.planned} asked in 14 days, {practice.adherence.knownDone} done, {practice.adherence.saidNotDone} said
                not done, {practice.adherence.noWord} no report
              </span>
            </h2>
            <details className="mb-2 text-[14px] text-soft">
              <summary className="link inline">How was this calculated?</summary> {adherenceHow(practice.adherence)}
            </details>
            <ReportTable reports={view.log.slice(0, LOG_SHOWN)} withTask mayCorrect={view.mayChange} />
          </section>
        </div>
        <aside className="space-y-8 text-[14px]">
          <Waiting view={view} />
          {view.mayChange && <FamilyLink view={view} sendNow={acts.newLink} />}
          <ChildFolds view={view} acts={acts} />
        </aside>
      </div>
    </>
  );
}

/** Days for which the findings stay in view; the fold below has all of them. */
const LIFT_SHOWN_DAYS = 30;

/** Shows what must not be overlooked: injuries, tasks that today's facts stop, answers from home, a student off the caseload. */
function Alarms({ view }: { view: ChildView }) {
  const { child, program, stops, stopped, lifts, today } = view;
  const recent = lifts.filter(({ liftedAt }) => daysBetween(calendarDayInZone(liftedAt, child.timeZone), today) <= LIFT_SHOWN_DAYS);
  const nameIn = (taskId: number) =>
    program?.tasks.find((task) => task.taskId === taskId)?.content.title.en ?? 'a task that is no longer in the program';
  return (
    <>
      {child.leftOn !== null && (
        <p className="mt-3 border-l-4 border-soft bg-sheet px-3 py-2">
          Off your caseload since {longDay(child.leftOn)}. Nothing was lost. To undo, use “On and off the caseload”.
        </p>
      )}
      {stops.length > 0 && (
        <p className="mt-3 border-l-4 border-brick bg-brick-tint px-3 py-2">
          <strong>Something hurt.</strong> On hold until the task is reopened in Review:{' '}
          {[...new Map([...stops].reverse().map((stop) => [stop.taskId, stop])).values()]
            .map((stop) => `${nameIn(stop.taskId)}, since ${longDay(stop.doneOn)}`)
            .join('; ')}
          .
        </p>
      )}
      {recent.map((lift) => (
        <p key={lift.liftedAt} className="mt-3 border-l-4 border-straw bg-straw-tint px-3 py-2">
          <strong>Injury report reviewed.</strong> <LiftWords lift={lift} title={nameIn(lift.taskId)} timeZone={child.timeZone} />
        </p>
      ))}
      {stopped.map(({ task, findings, blocks }) => (
        <p key={task.taskId} className="mt-3 border-l-4 border-brick bg-brick-tint px-3 py-2">
          <strong>
            {task.content.title.en}: {blocks ? 'no longer safe for this student.' : 'needs your review.'}
          </strong>{' '}
          {findings.map(safetyWords).join(' ')} The family’s page does not offer it until you decide.{' '}
          <Link className="link" href="/review" prefetch={false}>
            See its card in Review
          </Link>
          .
        </p>
      ))}
      {view.homeIsTold && (
        <p className="mt-3 border-l-4 border-straw bg-straw-tint px-3 py-2">
          The family listed the materials they have at home. Review and add them.{' '}
          <Link className="link" href={`/students/${child.id}/record`} prefetch={false}>
            Review and add
          </Link>
          .
        </p>
      )}
    </>
  );
}

function Waiting({ view }: { view: ChildView }) {
  const { waiting, program } = view;
  const count = ['Nothing to review', '1 item to review', '2 items to review', '3 items to review', '4 items to review'];
  return (
    <section>
      <h2 className="border-b border-ink pb-1 text-[18px]">
        {waiting.length === 0 && view.stops.length > 0
          ? 'An injury report is open. Nothing else to review'
          : (count[waiting.length] ?? `${waiting.length} items to review`)}
      </h2>
      <ul>
        {waiting.map((decision) => {
          const task = program?.tasks.find(({ taskId }) => taskId === decision.taskId) ?? null;
          return (
            <li key={decision.key} className="border-b border-line py-1.5">
              <Link href={reviewAddress(decision.key, null)} prefetch={false} className="hover:underline">
                <strong>{decisionTitle(decision, task)}</strong>
                {task && <span className="text-soft"> · {task.content.title.en}</span>}
              </Link>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
