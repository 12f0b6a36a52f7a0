import { MILLISECONDS_PER_HOUR } from '@/core/calendar';
import Link from 'next/link';
import type { CaseloadsView } from '@/server/caseload/viewCaseloads';
import { longDay, momentIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { LoadTable } from './LoadTable.client';

const MOST_NAMED = 24;

/** All caseloads, for who supervises: what hurt and how long it is open, what is overdue, how the load lies. */
export function CaseloadsScreen({ view }: { view: CaseloadsView }) {
  const { therapists, hurt, overdue, withoutLead, children } = view;
  const leadOf = (leadId: number | null) => therapists.find(({ id }) => id === leadId)?.name ?? 'nobody';
  return (
    <>
      <h1 className="text-[24px]">
        {children.length} students, {therapists.length} caseloads
      </h1>
      <section className="mt-4">
        <h2 className="text-[18px]">Open injury reports</h2>
        {hurt.length === 0 && <p className="text-soft">Nothing is open.</p>}
        <ul>
          {hurt.map(({ childId, name, school, leadId, hurtSince, hurtRead }) => (
            <li key={childId} className="border-t border-line py-1.5">
              <strong>{name}</strong>, {school}: open for {ageOf(view.now - hurtSince!)},{' '}
              {hurtRead ? 'read' : <strong className="text-brick">not read yet</strong>} · {leadOf(leadId)}
            </li>
          ))}
        </ul>
      </section>
      <section className="mt-8">
        <h2 className="text-[18px]">Students per therapist</h2>
        <LoadTable
          rows={therapists.map(({ id, name, role, children: led, overdue: late, silent, reportsThisWeek }) => ({
            id,
            name,
            role,
            children: led,
            overdue: late,
            silent,
            reportsThisWeek,
          }))}
        />
      </section>
      {withoutLead.length > 0 && (
        <section className="mt-8">
          <h2 className="text-[18px]">Without a lead therapist</h2>
          <p>{withoutLead.map(({ name }) => name).join(', ')}</p>
        </section>
      )}
      <section className="mt-8">
        <h2 className="text-[18px]">Without a current program ({overdue.length})</h2>
        <ul className="columns-3 gap-6 text-[14px]">
          {overdue.slice(0, MOST_NAMED).map(({ childId, name, leadId, endsOn }) => (
            <li key={childId}>
              {name},{' '}
              <span className="text-soft">
                {leadOf(leadId)}, {endsOn ? `ended ${longDay(endsOn)}` : 'none yet'}
              </span>
            </li>
          ))}
        </ul>
        {overdue.length > MOST_NAMED && <p className="text-soft">and {overdue.length - MOST_NAMED} more</p>}
      </section>
      <details className="mt-8">
        <summary className="link inline">Account and settings history ({view.trail.length})</summary>
        <ul className="mt-2 max-w-[760px] text-[14px]">
          {view.trail.map((row) => (
            <li key={row.id} className="border-t border-line py-1">
              {momentIn(row.at, view.timeZone)}, {row.who ?? 'unknown sender'}: {words(`audit.${row.action}`, row.numbers)}
            </li>
          ))}
        </ul>
      </details>
      <p className="mt-8 text-[14px] text-soft">
        For students who are not shared with you, you see only this. To see more, ask the lead therapist to share the student, or{' '}
        <Link className="link" href="/caseload/transfer" prefetch={false}>
          transfer students
        </Link>
        .
      </p>
    </>
  );
}

function ageOf(milliseconds: number): string {
  const hours = Math.floor(milliseconds / MILLISECONDS_PER_HOUR);
  if (hours < 24) return hours <= 1 ? 'an hour' : `${hours} hours`;
  const days = Math.floor(hours / 24);
  return days === 1 ? 'a day' : `${days} days`;
}
