import Link from 'next/link';
import { renderSVG } from 'uqr';
import { PARTS } from '@/core/vocabulary';
import type { SlipOfBag } from '@/server/kits/viewSlips';
import { partWords } from '../planner/planWords';
import { PrintLink } from '../parts/PrintLink.client';
import { spanWords } from './KitsScreen';

/** A packing slip for each bag, and labels for the bins of a session; for paper. */
export function SlipsScreen({ school, slips }: { readonly school: string; readonly slips: readonly SlipOfBag[] }) {
  return (
    <>
      <p className="print:hidden">
        <PrintLink />{' '}
        <span className="text-soft">
          One slip for each bag. It shows no full name and no diagnosis. The QR code opens the family’s page.
        </span>
      </p>
      <h1 className="text-[22px]">{school ? `${school}: packing slips` : 'Packing slips'}</h1>
      {slips.length === 0 && (
        <p className="text-soft print:hidden">
          No bag is packed for this school and week.{' '}
          <Link className="link" href="/kits">
            To the kits
          </Link>
        </p>
      )}
      <div className="grid grid-cols-2 gap-4">
        {slips.map(({ bag, address }) => (
          <article
            key={bag.childId}
            className="break-inside-avoid border border-dashed border-soft p-3"
            aria-label={`Packing slip of ${bag.name}`}
          >
            <div className="flex justify-between gap-3">
              <div>
                <h2 className="text-[16px]">{bag.name}</h2>
                <p className="text-[13px]">{spanWords(bag)}</p>
              </div>
              {address && (
                <div
                  role="img"
                  aria-label="QR code that opens the family’s page"
                  className="size-[92px] shrink-0 [&>svg]:size-full"
                  dangerouslySetInnerHTML={{ __html: renderSVG(address, { border: 1 }) }}
                />
              )}
            </div>
            <ul>
              {bag.lines
                .filter(({ standing }) => standing === 'pack')
                .map((line) => (
                  <li key={`${line.thing} ${line.instead?.en ?? ''}`} className="border-b border-line py-0.5 text-[14px]">
                    ☐ <strong>{line.count}</strong> × {line.name.en}
                    {line.kind === 'lasts' && <span className="text-soft"> (please send back)</span>}
                  </li>
                ))}
            </ul>
          </article>
        ))}
      </div>
      <h1 className="mt-6 break-before-page text-[22px]">Labels for the bins</h1>
      <div className="grid grid-cols-2 gap-4">
        {PARTS.map((part, place) => (
          <p key={part} className="border border-dashed border-soft px-4 py-6 text-center font-title text-[26px]">
            {place + 1} {partWords(part)}
          </p>
        ))}
      </div>
    </>
  );
}
