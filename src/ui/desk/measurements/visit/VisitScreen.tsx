import Link from 'next/link';
import type { VisitView } from '@/server/measurements/viewVisit';
import { longDay } from '../../../shared/days';
import { DeskTools } from '../../frame/DeskTools.client';
import { TrialSheet, type SendMeasurement } from './TrialSheet.client';

interface Props {
  readonly view: VisitView;
  readonly personId: number;
  readonly send: SendMeasurement;
}

const WAYS = [
  { href: '/progress', name: 'Progress', key: '8' },
  { href: '/review', name: 'Review', key: '1' },
];

/** A trial sheet for a visit at a school: narrow, so that a phone in one hand is enough, and it goes on without a network. */
export function VisitScreen({ view, personId, send }: Props) {
  return (
    <main id="main" className="one-hand mx-auto max-w-[620px] px-4 pt-2 pb-[172px]">
      <header className="flex flex-wrap items-center gap-x-4 border-b border-line pb-1">
        {WAYS.map(({ href, name, key }) => (
          <Link
            key={href}
            href={href}
            prefetch={false}
            className="link flex min-h-10 items-center"
            data-key={key}
            data-key-says={`Go to ${name}`}
          >
            {name}
          </Link>
        ))}
        <span className="ml-auto">
          <DeskTools places={WAYS} doings={[]} />
        </span>
      </header>
      <h1 className="mt-2 text-[22px]">{view.school || 'No school yet'}</h1>
      <p className="text-[14px] text-soft">
        {longDay(view.today)}
        {view.children[0]?.visitDays && `, you are here ${view.children[0].visitDays}`}
      </p>
      {view.schools.length > 1 && (
        <p className="flex flex-wrap gap-x-4 text-[14px]">
          {view.schools
            .filter((school) => school !== view.school)
            .map((school) => (
              <a key={school} className="link flex min-h-8 items-center" href={`/visit/school?name=${encodeURIComponent(school)}`}>
                {school}
              </a>
            ))}
        </p>
      )}
      <TrialSheet ofSchool={view.children} today={view.today} timeZone={view.timeZone} personId={personId} send={send} />
    </main>
  );
}
