import Link from 'next/link';
import type { KitBag } from '@/server/kits/viewKits';
import { dayAndMonth } from '../../shared/days';
import { ActionForm } from '../parts/ActionForm.client';
import { KeyCap } from '../parts/KeyCap';
import type { KitActs } from './kitActs';
import { bagState, countWords } from './kitWords';

interface Props {
  readonly bag: KitBag;
  readonly acts: KitActs;
  readonly before: string | null;
  readonly after: string | null;
}

/** The slip of the bag that is here, and what can be done with the bag. */
export function KitSlip({ bag, acts, before, after }: Props) {
  const { childId, name, version, lines, prepared, setUp, from, to, out, week } = bag;
  const hidden = { childId, version, week };
  const state = bagState(bag);
  const packs = lines.filter(({ standing }) => standing === 'pack');
  const made = lines.filter(({ standing }) => standing === 'made');
  const asked = lines.filter(({ standing }) => standing === 'ask');
  return (
    <aside aria-label={`Bag of ${name}`} className="print:hidden">
      <div className="border-t-[3px] border-straw bg-sheet px-4 py-3">
        <h2 className="text-[18px]">{name}</h2>
        <p className="text-[13px] text-soft">
          program {version}, {dayAndMonth(from)} to {dayAndMonth(to)}
        </p>
        {packs.length === 0 && <p className="mt-2">Nothing to pack. Everything is at home.</p>}
        <ul className="mt-1">
          {packs.map((line) => (
            <li key={`${line.thing} ${line.instead?.en ?? ''}`} className="border-b border-line py-1">
              <strong className="inline-block min-w-8">{line.count} ×</strong> {line.name.en}
              {line.instead && (
                <span className="block text-[13px] text-brick">in place of {line.instead.en}, which this student may not have</span>
              )}
              <details className="text-[13px] text-soft">
                <summary className="link inline">How was this counted?</summary>
                {countWords(line)}
              </details>
            </li>
          ))}
        </ul>
        {made.length > 0 && (
          <p className="mt-2 text-[14px]">
            The family makes: <strong>{made.map((line) => line.name.en).join(', ')}</strong>, by the recipe on its page.
          </p>
        )}
        {asked.length > 0 && <p className="mt-1 text-[14px]">Ask the family for: {asked.map((line) => line.name.en).join(', ')}.</p>}
        {prepared.length > 0 && (
          <p className="mt-2 text-[14px]">
            Before packing: {prepared.map((each) => `${each.count} ${each.name.en}`).join(', ')}, about{' '}
            {prepared.reduce((sum, { minutes }) => sum + minutes, 0)} min.
          </p>
        )}
        <p className="mt-2 text-[14px]">
          <Link href={`/worksheets/week?child=${childId}`} prefetch={false} className="link">
            Print the worksheets of the week
          </Link>
        </p>
        {setUp.length > 0 && (
          <details className="mt-1 text-[13px] text-soft">
            <summary className="link inline">
              At home {Math.round((setUp.reduce((sum, { minutes }) => sum + minutes, 0) / setUp.length) * 10) / 10} min a day to set up and
              clean up
            </summary>
            {setUp.map(({ day, minutes }) => `${dayAndMonth(day)}: ${minutes} min`).join(' · ')}
          </details>
        )}
      </div>
      <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        {state === 'open' && (
          <ActionForm action={acts.pack} hidden={hidden}>
            <button className="act act-main" data-key="p" data-key-says="Packed">
              Packed <KeyCap>P</KeyCap>
            </button>
          </ActionForm>
        )}
        {state === 'packed' && (
          <>
            <ActionForm action={acts.handOver} hidden={hidden}>
              <button className="act act-main" data-key="h" data-key-says="Handed out">
                Handed out <KeyCap>H</KeyCap>
              </button>
            </ActionForm>
            <ActionForm action={acts.unpack} hidden={hidden}>
              <button className="link">Unpack</button>
            </ActionForm>
          </>
        )}
        {state === 'handed' && <CameBack hidden={hidden} acts={acts} />}
        {out && <CameBack hidden={{ childId, week: out.week }} acts={acts} of={dayAndMonth(out.week)} />}
      </div>
      <p role="status" className="mt-1 text-[13px] text-soft">
        {bag.bag && `Packed by ${bag.bag.packedBy}.`}
        {bag.isOlder && <strong className="text-brick"> A new program was sent since then. Check this bag again.</strong>}
      </p>
      <p className="mt-2 flex gap-4">
        {before && (
          <Link href={before} prefetch={false} className="link" data-key="ArrowLeft" data-key-says="Previous bag">
            <KeyCap>←</KeyCap> before
          </Link>
        )}
        {after && (
          <Link href={after} prefetch={false} className="link" data-key="ArrowRight" data-key-says="Next bag">
            <KeyCap>→</KeyCap> Next
          </Link>
        )}
      </p>
    </aside>
  );
}

function CameBack({
  hidden,
  acts,
  of,
}: {
  readonly hidden: Record<string, number | string>;
  readonly acts: KitActs;
  readonly of?: string;
}) {
  return (
    <ActionForm action={acts.cameBack} hidden={hidden}>
      <button className="act" {...(of === undefined && { 'data-key': 'c', 'data-key-says': 'Returned' })}>
        {of === undefined ? 'Returned' : `Bag for the week of ${of} returned`} {of === undefined && <KeyCap>C</KeyCap>}
      </button>
    </ActionForm>
  );
}
