import Link from 'next/link';
import { PipSymbols } from '../../flight/pips';
import { DeskTools, type Findable } from './DeskTools.client';

export const PLACES = [
  { href: '/rounds', name: 'Rounds', key: 'g r' },
  { href: '/yard', name: 'Yard', key: 'g y' },
  { href: '/tasks', name: 'Task bench', key: 'g t' },
  { href: '/post', name: 'Post', key: 'g p' },
  { href: '/settings', name: 'Settings', key: 'g s' },
] as const;

/** The frame of every therapist's screen: where one is, the way to everywhere else, and the command box. */
export function Shell({
  here,
  personName,
  findable = [],
  children,
}: {
  here: string;
  personName: string;
  findable?: readonly Findable[];
  children: React.ReactNode;
}) {
  return (
    <>
      <PipSymbols />
      <a href="#main" className="absolute -top-20 left-2 bg-sheet p-2 focus:top-2">
        To the content
      </a>
      <header className="border-b border-line print:hidden">
        <div className="mx-auto flex h-10 max-w-[1400px] items-center gap-6 px-[22px]">
          <span className="flex items-center gap-2 font-title text-[17px] font-bold">
            <Mark />
            Yard Steps
          </span>
          <nav className="flex h-full gap-6" aria-label="Screens">
            {PLACES.map((place) => (
              <Link
                key={place.href}
                href={place.href}
                prefetch={false}
                data-key={place.key}
                data-key-says={`Go to ${place.name}`}
                aria-current={here === place.href ? 'page' : undefined}
                className="flex items-center border-b-[3px] border-transparent pt-[3px] text-soft hover:text-ink aria-[current]:border-green aria-[current]:font-bold aria-[current]:text-ink"
              >
                {place.name}
              </Link>
            ))}
          </nav>
          <span className="ml-auto text-[14px] text-soft">{personName}</span>
          <DeskTools places={PLACES} findable={findable} />
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
