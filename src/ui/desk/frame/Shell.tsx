import Link from 'next/link';
import type { PersonActor } from '@/server/actor';
import { PipSymbols } from '../../stepTimeline/pips';
import { DeskTools, type Findable } from './DeskTools.client';

type Who = Pick<PersonActor, 'name' | 'role'>;

/** Screens, with the digit that opens each from the keyboard. A digit stays with its screen, whoever looks. */
const PLACES = [
  { href: '/review', name: 'Review', key: '1' },
  { href: '/caseload', name: 'Caseload', key: '2' },
  { href: '/caseload/all', name: 'All caseloads', key: '3', roles: ['supervisor'] },
  { href: '/tasks', name: 'Tasks', key: '4' },
  { href: '/reports', name: 'Reports', key: '5' },
  { href: '/kits', name: 'Kits', key: '6' },
  { href: '/worksheets', name: 'Worksheets', key: '7' },
  { href: '/progress', name: 'Progress', key: '8', roles: ['therapist', 'supervisor'] },
  { href: '/messages', name: 'Messages', key: '9' },
  { href: '/settings', name: 'Settings', key: '0' },
] as const satisfies readonly { href: string; name: string; key: string; roles?: readonly Who['role'][] }[];

const DOINGS: readonly (Findable & { readonly roles: readonly Who['role'][] })[] = [
  { href: '/students/new', name: 'Add a student', hint: 'to your caseload', roles: ['therapist', 'supervisor'] },
  { href: '/students/import', name: 'Import a caseload', hint: 'from a list', roles: ['therapist', 'supervisor'] },
  { href: '/caseload/transfer', name: 'Transfer students', hint: 'to a colleague', roles: ['therapist', 'supervisor'] },
  { href: '/reports/enter', name: 'Enter paper logs and calls', hint: 'Reports', roles: ['therapist', 'assistant', 'supervisor'] },
  { href: '/planner', name: 'Plan next week', hint: 'for the caseload', roles: ['therapist', 'supervisor'] },
  { href: '/print', name: 'Print programs', hint: 'with practice logs', roles: ['therapist', 'assistant', 'supervisor'] },
  { href: '/worksheets/week', name: 'Worksheets of the week', hint: 'print', roles: ['therapist', 'assistant', 'supervisor'] },
  { href: '/videos', name: 'Videos', hint: 'and pictures', roles: ['therapist', 'assistant', 'supervisor'] },
  { href: '/step-rules', name: 'Step rules', hint: 'compare them', roles: ['therapist', 'supervisor'] },
  { href: '/settings/year', name: 'School year', hint: 'days, breaks, visits', roles: ['therapist', 'assistant', 'supervisor'] },
  { href: '/settings#people', name: 'Invite a colleague', hint: 'Settings', roles: ['therapist', 'supervisor'] },
  { href: '/settings#password', name: 'Change your password', hint: 'Settings', roles: ['therapist', 'assistant', 'supervisor'] },
];

/** The frame of every therapist's screen: where one is, the way to everywhere else, and the command box. */
export function Shell({ here, actor, children }: { here: string; actor: Who; children: React.ReactNode }) {
  const places = PLACES.filter((place) => !('roles' in place) || place.roles.some((role) => role === actor.role));
  return (
    <>
      <PipSymbols />
      <header className="border-b border-line print:hidden">
        <div className="mx-auto flex min-h-10 max-w-[1400px] flex-wrap items-center gap-x-6 px-[22px]">
          <span className="flex items-center gap-2 font-title text-[17px] font-bold">
            <Mark />
            Yard Steps
          </span>
          <nav className="flex flex-wrap gap-x-5" aria-label="Screens">
            {places.map((place) => (
              <Link
                key={place.href}
                href={place.href}
                prefetch={false}
                data-key={place.key}
                data-key-says={`Go to ${place.name}`}
                title={`Press ${place.key}`}
                aria-current={here === place.href ? 'page' : undefined}
                className="flex h-10 items-center gap-1 border-b-[3px] border-transparent pt-[3px] text-soft hover:text-ink aria-[current]:border-green aria-[current]:font-bold aria-[current]:text-ink"
              >
                {place.name}
              </Link>
            ))}
          </nav>
          <span className="ml-auto text-[14px] text-soft">{actor.name}</span>
          <DeskTools places={places} doings={DOINGS.filter(({ roles }) => roles.includes(actor.role))} />
        </div>
      </header>
      <main id="main" className="mx-auto max-w-[1400px] px-[22px] pt-4 pb-16">
        {children}
      </main>
    </>
  );
}

function Mark() {
  return (
    <svg width="25" height="19" viewBox="0 0 25 19" aria-hidden="true">
      <path d="M0 19V13H8V7H16V0H25V19Z" fill="var(--color-green)" />
    </svg>
  );
}
