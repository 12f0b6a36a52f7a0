import Link from 'next/link';
import { addDays } from '@/core/calendar';
import type { KitLine } from '@/core/kits';
import type { KitBag, KitsView } from '@/server/kits/viewKits';
import { dayAndMonth } from '../../shared/days';
import { PrintLink } from '../parts/PrintLink.client';
import { KitSlip } from './KitSlip';
import { bagState, KIND_ORDER, KINDS, shortThings } from './kitWords';
import { StockCell } from './StockCell.client';
import type { KitActs } from './kitActs';

interface Props {
  readonly view: KitsView;
  readonly childId: number | null;
  readonly acts: KitActs;
}

const addressOf = (school: string, week: string, childId?: number) =>
  `/kits?${new URLSearchParams({ school, week, ...(childId && { child: String(childId) }) })}`;

/** Things down, children across: what is to be packed for the bags of a school, less what homes have. */
export function KitsScreen({ view, childId, acts }: Props) {
  const { school, week, bags } = view;
  if (bags.length === 0)
    return (
      <>
        <h1 className="text-[24px]">Kits</h1>
        <p className="mt-3 text-soft">
          No student at {school || 'one of your schools'} has a program in this week. Send one, and its bag is listed here.
        </p>
        <Schools view={view} />
      </>
    );
  const place = Math.max(
    0,
    bags.findIndex((each) => each.childId === childId || (childId === null && each.bag === null)),
  );
  const here = bags[place]!;
  const options = new URLSearchParams({ school, week });
  const packed = bags.filter(({ bag }) => bag !== null).length;
  return (
    <div className="grid grid-cols-1 gap-7 min-[1100px]:grid-cols-[minmax(0,1fr)_310px]">
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline gap-x-5">
          <h1 className="text-[24px]">{school}: bags</h1>
          <span>
            <strong>
              {packed} of {bags.length} packed
            </strong>
            <span className="text-soft">, {minutesLeft(bags)} min of cutting to do</span>
          </span>
          <a className="link" href={`/kits/file?${options}`} download>
            Download
          </a>
          <a className="link" href={`/kits/slips?${options}`} data-key="l" data-key-says="Packing slips and labels">
            Packing slips and labels
          </a>
          <PrintLink />
        </div>
        <Schools view={view} />
        <Things view={view} here={here} acts={acts} />
        <Shopping view={view} />
      </div>
      <KitSlip
        bag={here}
        acts={acts}
        before={bags[place - 1] ? addressOf(school, week, bags[place - 1]!.childId) : null}
        after={bags[place + 1] ? addressOf(school, week, bags[place + 1]!.childId) : null}
      />
    </div>
  );
}

function Schools({ view: { school, schools, week, without } }: { readonly view: KitsView }) {
  return (
    <p className="mt-1 flex flex-wrap gap-4 text-[14px] print:hidden">
      {schools.map((each) =>
        each === school ? (
          <strong key={each}>{each}</strong>
        ) : (
          <Link key={each} href={addressOf(each, week)} prefetch={false} className="link">
            {each}
          </Link>
        ),
      )}
      <span className="ml-4">
        <Link href={addressOf(school, addDays(week, -7))} prefetch={false} className="link" data-key="[" data-key-says="Previous week">
          Before
        </Link>{' '}
        <strong>week of {dayAndMonth(week)}</strong>{' '}
        <Link href={addressOf(school, addDays(week, 7))} prefetch={false} className="link" data-key="]" data-key-says="Next week">
          After
        </Link>
      </span>
      {without > 0 && (
        <Link href="/planner" prefetch={false} className="link text-soft">
          {without} {without === 1 ? 'student has' : 'students have'} no program in that week. Plan one.
        </Link>
      )}
    </p>
  );
}

function Things({
  view: { school, week, bags, things },
  here,
  acts,
}: {
  readonly view: KitsView;
  readonly here: KitBag;
  readonly acts: KitActs;
}) {
  return (
    <div className="relative mt-3 overflow-x-auto">
      <table className="w-full border-collapse text-[14px]">
        <thead>
          <tr className="border-b border-ink align-bottom">
            <th scope="col" className="sticky left-0 min-w-[150px] bg-paper py-1 text-left">
              Material
            </th>
            {bags.map((bag) => (
              <th
                key={bag.childId}
                scope="col"
                className={`min-w-[46px] px-1 py-1 text-left font-normal ${bag === here ? 'bg-straw-tint' : ''}`}
              >
                <Link
                  href={addressOf(school, week, bag.childId)}
                  prefetch={false}
                  aria-current={bag === here ? 'true' : undefined}
                  className="block hover:underline aria-[current]:font-bold"
                >
                  <Mark bag={bag} />
                  {bag.name}
                </Link>
              </th>
            ))}
            <th scope="col" className="px-1 text-left">
              To pack
            </th>
            <th scope="col" className="px-1 text-left">
              Supplies on hand
            </th>
          </tr>
        </thead>
        <tbody>
          {KIND_ORDER.map((kind) => {
            const own = things.filter((each) => each.kind === kind);
            return own.length === 0 ? null : (
              <Kind key={kind} title={KINDS[kind]} columns={bags.length + 3}>
                {own.map((thing) => (
                  <tr key={thing.thing} className="border-b border-line">
                    <th scope="row" className="sticky left-0 bg-paper py-1 pr-2 text-left font-normal">
                      {thing.name.en}
                    </th>
                    {bags.map((bag) => (
                      <td key={bag.childId} className={`px-1 ${bag === here ? 'bg-straw-tint' : ''}`}>
                        {bag.lines
                          .filter((line) => line.thing === thing.thing)
                          .map((line) => (
                            <Count key={line.standing} line={line} isPacked={bag.bag !== null} />
                          ))}
                      </td>
                    ))}
                    <td className="px-1 font-semibold">{thing.toPack || ''}</td>
                    <td className="px-1">{kind !== 'stays' && kind !== 'food' && <StockCell thing={thing} count={acts.count} />}</td>
                  </tr>
                ))}
              </Kind>
            );
          })}
        </tbody>
      </table>
      <p className="mt-1 text-[13px] text-soft">
        ⌂ Already at home · ◆ Family makes it · Ask: the family needs to provide it · No: not safe for this student · Gray: packed
      </p>
    </div>
  );
}

function Kind({ title, columns, children }: { readonly title: string; readonly columns: number; readonly children: React.ReactNode }) {
  return (
    <>
      <tr>
        <th scope="rowgroup" colSpan={columns} className="pt-2 text-left text-[13px] font-normal text-soft">
          {title}
        </th>
      </tr>
      {children}
    </>
  );
}

function Count({ line, isPacked }: { readonly line: KitLine; readonly isPacked: boolean }) {
  switch (line.standing) {
    case 'pack':
      return <span className={isPacked ? 'text-soft' : 'font-semibold'}>{line.count}</span>;
    case 'atHome':
      return <span aria-label="At home">⌂</span>;
    case 'made':
      return <span aria-label="Family makes it">◆</span>;
    case 'ask':
      return <span className="text-[12px] text-soft">ask</span>;
    case 'refused':
      return <span className="text-[12px] font-semibold text-brick">not</span>;
  }
}

/** A fence post: filled where packed, with a cap where it went home. */
function Mark({ bag }: { readonly bag: KitBag }) {
  const state = bagState(bag);
  return (
    <svg
      width="14"
      height="22"
      viewBox="0 0 14 22"
      role="img"
      aria-label={{ open: 'not packed', packed: 'packed', handed: 'handed out', back: 'returned' }[state]}
    >
      <path
        d="M1.5 21V6L7 1L12.5 6V21Z"
        stroke="var(--color-green)"
        fill={state === 'open' ? 'none' : 'var(--color-green-tint)'}
        strokeWidth="1.4"
      />
      {state !== 'open' && <path d="M4 12L6.4 14.6L10.4 9.4" stroke="var(--color-green)" fill="none" strokeWidth="1.6" />}
      {(state === 'handed' || state === 'back') && <path d="M1.5 19H12.5" stroke="var(--color-green)" strokeWidth="2" />}
    </svg>
  );
}

function Shopping({ view: { school, week, things, bags } }: { readonly view: KitsView }) {
  const short = shortThings(things);
  const out = bags.filter((bag) => bag.out !== null);
  return (
    <section className="mt-5">
      <h2 className="text-[18px]">Shopping list</h2>
      {short.length === 0 ? (
        <p className="text-soft">Nothing is short.</p>
      ) : (
        <>
          <ul className="columns-1 min-[800px]:columns-2">
            {short.map(({ thing, name, short: lacks, packs, packSize, inCupboard, sheets }) => (
              <li key={thing} className="py-0.5">
                {name.en}: <strong>{lacks} short</strong>
                {inCupboard === null && <span className="text-soft">, the supplies on hand are not counted</span>}
                {sheets !== null && `, cut from ${sheets} ${sheets === 1 ? 'sheet' : 'sheets'}`}
                {packSize > 1 && `: ${packs} ${packs === 1 ? 'pack' : 'packs'} of ${packSize}`}
                {stillOut(out, thing)}
              </li>
            ))}
          </ul>
          <a className="link print:hidden" href={`/kits/file?${new URLSearchParams({ school, week, list: 'shopping' })}`} download>
            Download the list
          </a>
        </>
      )}
    </section>
  );
}

function stillOut(bags: readonly KitBag[], thing: string): string {
  const names = bags.filter(({ out }) => out!.things.some((each) => each.thing === thing && each.comesBack)).map(({ name }) => name);
  return names.length === 0 ? '' : `; ${names.join(', ')} still ${names.length === 1 ? 'has' : 'have'} some`;
}

function minutesLeft(bags: readonly KitBag[]): number {
  return bags
    .filter(({ bag }) => bag === null)
    .flatMap(({ prepared }) => prepared)
    .reduce((sum, { minutes }) => sum + minutes, 0);
}

export const spanWords = ({ from, to }: Pick<KitBag, 'from' | 'to'>) => `${dayAndMonth(from)} to ${dayAndMonth(to)}`;
