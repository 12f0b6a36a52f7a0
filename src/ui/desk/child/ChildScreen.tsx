import { doseAt } from '@/core/dose';
import Link from 'next/link';
import { nameOf } from '@/core/child';
import type { ProgramVersion } from '@/core/program';
import type { ChildView } from '@/server/caseload/viewChild';
import { LargeFlight } from '../../flight/FlightDrawing';
import { PracticeDots } from '../../flight/pips';
import { longDay, momentIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { ChildFacts } from '../parts/ChildFacts';
import { doseSentence, weekdaysInWords } from '../parts/doseWords';
import { adherenceHow, percentRange } from '../parts/figures';
import { changeWhy } from './changeWords';
import { HomeAndSettings, type ChangeHome } from './HomeAndSettings.client';
import { KeyCap } from '../parts/KeyCap';
import { ReportTable } from '../parts/ReportTable';

export interface ChildProps {
  readonly view: ChildView;
  readonly changeHome: ChangeHome;
  readonly revokeLink: WordedAction;
  readonly sendLink: WordedAction;
  readonly newLink: WordedAction;
  readonly deleteChild: WordedAction;
}

export function ChildScreen({ view, changeHome, ...acts }: ChildProps) {
  const { child, program, practice } = view;
  return (
    <>
      <div className="flex items-baseline gap-6">
        <h1 className="text-[28px]">{nameOf(child)}</h1>
        <span className="text-soft">{percentRange(practice.adherence)} practised in 14 days</span>
        <span>
          <PracticeDots days={practice.days} />
        </span>
        {program && (
          <Link href={`/children/${child.id}/paper`} prefetch={false} className="act ml-auto" data-key="v" data-key-says="View it on paper">
            On paper <KeyCap>V</KeyCap>
          </Link>
        )}
        {view.mayChange && (
          <Link
            href={`/children/${child.id}/program`}
            prefetch={false}
            className={`act act-main ${program ? '' : 'ml-auto'}`}
            data-key="b"
            data-key-says="Build the next program"
          >
            Build the next program <KeyCap>B</KeyCap>
          </Link>
        )}
      </div>
      <ChildFacts child={child} today={view.today} />
      {view.stops.length > 0 && (
        <p className="mt-3 border-l-4 border-brick bg-brick-tint px-3 py-2">
          <strong>Something hurt.</strong> Closed till the stop is lifted in Rounds:{' '}
          {[...new Map([...view.stops].reverse().map((stop) => [stop.taskId, stop])).values()]
            .map(
              (stop) =>
                `${program?.tasks.find((task) => task.taskId === stop.taskId)?.content.title.en ?? 'a task that is out'}, since ${longDay(stop.doneOn)}`,
            )
            .join('; ')}
          .
        </p>
      )}
      <p className="mt-1 text-[14px] text-soft">
        Helpers: {child.helpers || 'not told'} · at home:{' '}
        {child.materialsAtHome.map((id) => view.things.find((thing) => thing.id === id)?.name.en ?? id).join(', ') || 'not asked yet'}
      </p>
      {view.mayChange && (
        <HomeAndSettings
          childId={child.id}
          settings={child.taskSettings}
          materialsAtHome={child.materialsAtHome}
          things={view.things}
          change={changeHome}
        />
      )}
      <p className="text-[14px] text-soft">How we know: {adherenceHow(practice.adherence)}</p>
      <div className="mt-6 grid grid-cols-[minmax(0,1fr)_340px] gap-8">
        <div className="min-w-0 space-y-8">
          <Program program={program} flights={view.flights} today={view.today} />
          <section>
            <h2 className="mb-2 text-[18px]">What came in</h2>
            <ReportTable reports={view.log.slice(0, 25)} withTask />
          </section>
        </div>
        <aside className="space-y-8 text-[14px]">
          <Goals goals={view.goals} />
          <GradeHistory changes={view.changes} timeZone={child.timeZone} />
          <LinksAndPost view={view} acts={acts} />
          <section>
            <h2 className="mb-1 text-[16px]">Who works with this child</h2>
            <ul>
              {view.sharing.map((person) => (
                <li key={person.name}>
                  {person.name},{' '}
                  <span className="text-soft">
                    {person.role}, {person.access === 'lead' ? 'leads' : person.access === 'shared' ? 'shares' : 'assists'}
                  </span>
                </li>
              ))}
            </ul>
          </section>
          <details>
            <summary className="font-title text-[16px] font-bold">Who looked or changed</summary>
            <ul className="mt-1">
              {view.audit.map((row) => (
                <li key={row.id} className="border-t border-line py-0.5">
                  {momentIn(row.at, child.timeZone)} · {row.who ?? (row.byFamily ? 'the family’s link' : 'the program')} ·{' '}
                  {words(`audit.${row.action}`, row.numbers)}
                </li>
              ))}
            </ul>
          </details>
          {view.mayDelete && (
            <details>
              <summary className="font-title text-[16px] font-bold">Delete this child…</summary>
              <p className="mt-1">
                Removes facts, goals, programs, reports, messages and links, for good. What stays: the list of who looked and changed, as a
                number without a name.
              </p>
              <ActionForm action={acts.deleteChild} hidden={{ childId: child.id }} className="mt-2 space-y-2">
                <label className="block">
                  To go on, write <strong>{nameOf(child)}</strong>
                  <input name="name" required autoComplete="off" className="field mt-1 w-full" />
                </label>
                <button className="act border-brick text-brick">Delete for good</button>
              </ActionForm>
            </details>
          )}
        </aside>
      </div>
    </>
  );
}

function Program({ program, flights, today }: { program: ProgramVersion | null } & Pick<ChildView, 'flights' | 'today'>) {
  if (!program) return <p className="text-soft">No program has been sent yet.</p>;
  return (
    <section>
      <h2 className="text-[18px]">
        The program{' '}
        <span className="font-text text-[15px] font-normal text-soft">
          version {program.number}, sent {longDay(program.sentOn)}, {program.isEnded ? 'the practice ended on' : 'until'}{' '}
          {longDay(program.endsOn)}
          {!program.isEnded && program.resumesOn && program.resumesOn > today && `, rests until ${longDay(program.resumesOn)}`}
        </span>
      </h2>
      {flights.map(({ task, flight }) => (
        <article key={task.taskId} id={`task-${task.taskId}`} className="mt-4 rounded-[4px] border border-line bg-sheet px-5 py-3">
          <h3 className="text-[16px]">
            {task.content.title.en} {flight.closed && <span className="text-brick">closed </span>}
            <span className="font-text text-[14px] font-normal text-soft">
              {words(`skills.${task.content.skill}`)} · {doseSentence(doseAt(task.dose, task.step), task.weekdays.length)} ·{' '}
              {weekdaysInWords(task.weekdays)}
            </span>
          </h3>
          <LargeFlight
            flight={flight}
            names={task.content.ladder.steps.map((step) => step.name.en)}
            label={`${task.content.title.en}: step ${task.step} of ${task.content.ladder.steps.length}`}
          />
        </article>
      ))}
    </section>
  );
}

function Goals({ goals }: { goals: ChildView['goals'] }) {
  return (
    <section>
      <h2 className="mb-1 text-[16px]">Goals</h2>
      {goals.length === 0 && <p className="text-soft">None written yet.</p>}
      {goals.map((goal) => (
        <div key={goal.id} className="border-t border-line py-1.5">
          <p>{goal.words}</p>
          <p className="text-soft">
            From {goal.baseline} to {goal.criterion}, help at most: {words(`helps.${goal.mostHelp}`)}. Review {longDay(goal.reviewOn)}.
          </p>
        </div>
      ))}
    </section>
  );
}

function GradeHistory({ changes, timeZone }: { changes: ChildView['changes']; timeZone: string }) {
  return (
    <section>
      <h2 className="mb-1 text-[16px]">Grade history</h2>
      <ul className="max-h-[360px] overflow-auto" tabIndex={0} aria-label="Grade history">
        {changes.map((change) => (
          <li key={change.id} className="border-t border-line py-1">
            <strong>
              {change.content?.title.en ?? 'A task'}:{' '}
              {change.fromStep === null ? `starts at ${change.toStep}` : `${change.fromStep} → ${change.toStep}`}
            </strong>
            <br />
            {momentIn(change.changedAt, timeZone)}, {change.changedBy}. <span className="text-soft">{changeWhy(change)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function LinksAndPost({ view, acts }: { view: ChildView; acts: Pick<ChildProps, 'revokeLink' | 'sendLink' | 'newLink'> }) {
  const { child, links } = view;
  const open = links.filter((link) => link.revokedAt === null);
  return (
    <section>
      <h2 className="mb-1 text-[16px]">Private links</h2>
      <ul>
        {open.slice(0, 4).map((link) => (
          <li key={link.id} className="flex items-baseline justify-between gap-2 border-t border-line py-1">
            <span>
              made {momentIn(link.createdAt, child.timeZone)}, holds till {momentIn(link.expiresAt, child.timeZone)},{' '}
              {link.firstOpenedAt === null ? 'not opened yet' : `first opened ${momentIn(link.firstOpenedAt, child.timeZone)}`}
            </span>
            {view.mayChange && (
              <ActionForm action={acts.revokeLink} hidden={{ childId: child.id, linkId: link.id }}>
                <button className="link">close it</button>
              </ActionForm>
            )}
          </li>
        ))}
      </ul>
      {open.length === 0 && <p className="text-soft">None is open.</p>}
      {open.length > 4 && <p className="text-soft">and {open.length - 4} older ones</p>}
      {view.mayChange && (
        <ActionForm action={acts.sendLink} hidden={{ childId: child.id }} className="mt-2">
          <button className="act">Send the link again</button>
        </ActionForm>
      )}
      {view.mayChange && (
        <ActionForm action={acts.newLink} hidden={{ childId: child.id }} className="mt-2">
          <button className="link">Send a new link, and close this one</button>
        </ActionForm>
      )}
      <p className="mt-2">
        <Link className="link" href={`/post?phone=${child.id}`} prefetch={false}>
          What went out
        </Link>
      </p>
    </section>
  );
}
