import Link from 'next/link';
import { nameOf } from '@/core/students';
import { restOf } from '@/core/programs';
import type { ChildView } from '@/server/students/viewChild';
import { longDay, momentIn } from '../../shared/days';
import { criterionWords } from '../goals/goalWords';
import { ActionForm } from '../parts/ActionForm.client';
import { KeyCap } from '../parts/KeyCap';
import { OnceConfirmed } from '../parts/OnceConfirmed';
import { changeWhy } from './changeWords';
import type { ChildActs } from './childActs';
import { HomeAndSettings } from './HomeAndSettings.client';
import { LiftWords } from './LiftWords';

interface Props {
  readonly view: ChildView;
  readonly acts: ChildActs;
}

/** Facts that are looked up now and then: each section opens by its key. */
export function ChildFolds({ view, acts }: Props) {
  const { child, changes, messages, goals } = view;
  const closed = goals.filter(({ closedOn }) => closedOn !== null);
  const titleOf = (taskId: number) =>
    view.program?.tasks.find((task) => task.taskId === taskId)?.content.title.en ?? 'a task that is no longer in the program';
  return (
    <section>
      <h2 className="border-b border-ink pb-1 text-[18px]">More</h2>
      {view.mayChange && (
        <Fold cap="S" says={`${child.materialsAtHome.length} materials at home, settings`}>
          <HomeAndSettings
            childId={child.id}
            settings={child.taskSettings}
            materialsAtHome={child.materialsAtHome}
            things={view.things}
            change={acts.changeHome}
          />
        </Fold>
      )}
      <Fold cap="H" says={`${changes.length} step changes`}>
        <GradeHistory changes={changes} timeZone={child.timeZone} />
      </Fold>
      {view.lifts.length > 0 && (
        <Fold cap="I" says={`${view.lifts.length} injury ${view.lifts.length === 1 ? 'report' : 'reports'} reviewed`}>
          {view.lifts.map((lift) => (
            <p key={lift.liftedAt} className="border-t border-line py-1">
              <LiftWords lift={lift} title={titleOf(lift.taskId)} timeZone={child.timeZone} />
            </p>
          ))}
        </Fold>
      )}
      <Fold cap="W" says={`${messages.length} messages, links`}>
        <LinksAndPost view={view} acts={acts} />
      </Fold>
      {view.mayChange && view.program && (
        <Fold cap="T" says="Pause, end or resume">
          <PracticeFold view={view} acts={acts} />
        </Fold>
      )}
      {closed.length > 0 && (
        <Fold cap="C" says={`${closed.length} closed ${closed.length === 1 ? 'goal' : 'goals'}`}>
          {closed.map(({ id, content, closedOn, closedWhy }) => (
            <p key={id} className="border-t border-line py-1">
              <Link className="link" href={`/students/${child.id}/goals/${id}`} prefetch={false}>
                {content.statement}
              </Link>
              , closed {longDay(closedOn!)}. {closedWhy} <span className="text-soft">{criterionWords(content)}</span>
            </p>
          ))}
        </Fold>
      )}
      <Fold cap="P" says="Who works with this student">
        <Sharing view={view} acts={acts} />
      </Fold>
      {view.mayReadAccessLog && (
        <p className="border-b border-line py-1">
          <Link
            href={`/students/${child.id}/access-log`}
            prefetch={false}
            className="flex justify-between hover:underline"
            data-key="l"
            data-key-says="Access log"
          >
            Access log <KeyCap>L</KeyCap>
          </Link>
        </p>
      )}
      {view.mayLead && (
        <Fold cap="O" says="On and off the caseload">
          <OnAndOff view={view} acts={acts} />
        </Fold>
      )}
    </section>
  );
}

function Fold({ cap, says, children }: { cap: string; says: string; children: React.ReactNode }) {
  const key = cap.toLowerCase();
  return (
    <details className="border-b border-line">
      <summary className="flex cursor-pointer justify-between py-1" data-key={key} data-key-says={says}>
        <span>{says}</span> <KeyCap>{cap}</KeyCap>
      </summary>
      <div className="pb-3">{children}</div>
    </details>
  );
}

function GradeHistory({ changes, timeZone }: { changes: ChildView['changes']; timeZone: string }) {
  return (
    <ul className="max-h-[360px] overflow-auto" tabIndex={0} aria-label="Step history">
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
  );
}

function LinksAndPost({ view, acts }: Props) {
  const { child, links } = view;
  const open = links.filter((link) => link.revokedAt === null);
  return (
    <>
      <ul>
        {open.slice(0, 4).map((link) => (
          <li key={link.id} className="flex items-baseline justify-between gap-2 border-t border-line py-1">
            <span>
              link made {momentIn(link.createdAt, child.timeZone)}, current until {momentIn(link.expiresAt, child.timeZone)},{' '}
              {link.firstOpenedAt === null ? 'not opened yet' : `first opened ${momentIn(link.firstOpenedAt, child.timeZone)}`}
            </span>
            {view.mayChange && (
              <ActionForm action={acts.revokeLink} hidden={{ childId: child.id, linkId: link.id }}>
                <button className="link">Turn off link</button>
              </ActionForm>
            )}
          </li>
        ))}
      </ul>
      {open.length === 0 && <p className="text-soft">There is no active link.</p>}
      {open.length > 4 && <p className="text-soft">and {open.length - 4} older ones</p>}
      {view.mayChange && (
        <>
          <ActionForm action={acts.sendLink} hidden={{ childId: child.id }} className="mt-2">
            <button className="act">Send the link again</button>
          </ActionForm>
          <ActionForm action={acts.newLink} hidden={{ childId: child.id }} className="mt-2">
            <button className="link">Send a new link, and close this one</button>
          </ActionForm>
        </>
      )}
      <p className="mt-2">
        <Link className="link" href={`/messages?phone=${child.id}`} prefetch={false}>
          Sent messages
        </Link>
        {view.mayChange && (
          <>
            {' · '}
            <Link className="link" href={`/students/${child.id}/teachers`} prefetch={false}>
              Reminders and teacher
            </Link>
          </>
        )}
      </p>
    </>
  );
}

/** The practice rests, ends or goes on; the family is told each time. */
function PracticeFold({ view: { child, program, today }, acts }: Props) {
  const { number } = program!;
  const resting = restOf(program!, today);
  const hidden = (action: string) => ({ childId: child.id, expectedVersion: number, action });
  if (resting) {
    return (
      <ActionForm action={acts.rest} hidden={hidden('goOn')} className="space-y-2">
        <p>
          {resting.kind === 'ended' ? 'Home practice ended.' : `Paused until ${longDay(resting.day)}.`} The family sees when practice
          resumes.
        </p>
        {resting.kind === 'ended' && (
          <label className="block">
            Until what day?
            <input name="until" type="date" required className="field mt-1 block" />
          </label>
        )}
        <button className="act act-main">Restart today</button>
      </ActionForm>
    );
  }
  return (
    <div className="space-y-3">
      <ActionForm action={acts.rest} hidden={hidden('pause')} className="space-y-2">
        <label className="block">
          Paused until
          <input name="until" type="date" required className="field mt-1 block" />
        </label>
        <input name="why" maxLength={300} placeholder="Reason (optional)" aria-label="Reason for the pause" className="field w-full" />
        <button className="act">Pause</button>
      </ActionForm>
      <ActionForm action={acts.rest} hidden={hidden('end')} className="space-y-2">
        <input
          name="why"
          required
          maxLength={300}
          placeholder="Reason for ending"
          aria-label="Reason for ending"
          className="field w-full"
        />
        <button className="act">End the practice</button>
      </ActionForm>
    </div>
  );
}

const ACCESS_WORDS = { lead: 'leads', shared: 'shares', assist: 'assists' } as const;

function Sharing({ view, acts }: Props) {
  const { child, sharing, handOvers, colleagues } = view;
  const others = colleagues.filter(({ id }) => !sharing.some(({ personId }) => personId === id));
  return (
    <>
      <ul>
        {sharing.map((person) => (
          <li key={person.personId} className="flex items-baseline justify-between gap-2 border-t border-line py-1">
            <span>
              {person.name}, <span className="text-soft">{`${person.role}, ${ACCESS_WORDS[person.access]}`}</span>
            </span>
            {view.mayLead && person.access !== 'lead' && (
              <ActionForm action={acts.share} hidden={{ childId: child.id, personId: person.personId, access: 'none' }}>
                <button className="link">End home practice</button>
              </ActionForm>
            )}
          </li>
        ))}
      </ul>
      {child.teacher && <p className="border-t border-line py-1">Teacher: {child.teacher}</p>}
      {child.helpers && <p className="border-t border-line py-1">Helps at home: {child.helpers}</p>}
      {view.mayLead && others.length > 0 && (
        <ActionForm action={acts.share} hidden={{ childId: child.id }} className="mt-2 space-y-2">
          <select name="personId" aria-label="Colleague" className="field w-full">
            {others.map(({ id, name, role }) => (
              <option key={id} value={id}>{`${name}, ${role}`}</option>
            ))}
          </select>
          <span className="flex gap-3">
            <button className="act" name="access" value="shared">
              Share
            </button>
            <button className="act" name="access" value="assist">
              Add as assistant
            </button>
          </span>
        </ActionForm>
      )}
      {view.mayLead && (
        <p className="mt-2">
          <Link className="link" href={`/caseload/transfer?child=${child.id}`} prefetch={false}>
            Transfer to a colleague
          </Link>
        </p>
      )}
      {handOvers.map((each) => (
        <p key={each.at} className="mt-2 border-t border-line pt-1">
          {momentIn(each.at, child.timeZone)}: from {each.from} to {each.to}.{each.note && ` “${each.note}”`}
        </p>
      ))}
    </>
  );
}

function OnAndOff({ view: { child, isConfirmed }, acts }: Props) {
  return (
    <div className="space-y-3">
      {child.leftOn === null ? (
        <ActionForm action={acts.leave} hidden={{ childId: child.id }}>
          <p>This ends home practice and sends the family a thank-you. No data is deleted, and the student can return to the caseload.</p>
          <input
            name="why"
            required
            minLength={3}
            maxLength={300}
            placeholder="Moved away, goals met…"
            aria-label="Why"
            className="field my-2 w-full"
          />
          <button className="act">Remove from the caseload</button>
        </ActionForm>
      ) : (
        <ActionForm action={acts.comeBack} hidden={{ childId: child.id }}>
          <button className="act act-main">Return to the caseload</button>
        </ActionForm>
      )}
      <p>
        <a className="link" href={`/students/${child.id}/fhir`}>
          Import goals or a care plan
        </a>{' '}
        from another record system (HL7 FHIR R4)
      </p>
      <OnceConfirmed isConfirmed={isConfirmed} next={`/students/${child.id}`} to="export this student’s record, or delete the student">
        <p>
          Download this student’s record:{' '}
          <a className="link" href={`/students/${child.id}/export?as=html`}>
            For reading (HTML)
          </a>
          ,{' '}
          <a className="link" href={`/students/${child.id}/export?as=json`}>
            As data (JSON)
          </a>
          ,{' '}
          <a className="link" href={`/students/${child.id}/export?as=fhir`}>
            As HL7 FHIR R4
          </a>
        </p>
        <details>
          <summary className="link inline text-brick">Delete this student…</summary>
          <p className="mt-1">
            Permanently deletes this student’s information, goals, programs, reports, messages and links. The access log keeps an ID number
            with no name.
          </p>
          <ActionForm action={acts.deleteChild} hidden={{ childId: child.id }} className="mt-2 space-y-2">
            <label className="block">
              To confirm, type <strong>{nameOf(child)}</strong>
              <input name="name" required autoComplete="off" className="field mt-1 w-full" />
            </label>
            <button className="act border-brick text-brick">Delete permanently</button>
          </ActionForm>
        </details>
      </OnceConfirmed>
    </div>
  );
}
