import { codeLettersOf } from '@/core/replies';
import { BASE_LANGUAGE } from '@/core/text';
import Link from 'next/link';
import { addDays } from '@/core/calendar';
import type { EntryView } from '@/server/reports/viewEntry';
import { longDay, momentIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { ChildPick } from './ChildPick.client';
import { EntryGrid } from './EntryGrid.client';
import { ENTRY_WAYS } from '@/core/reports';
import type { EnterPaperLog } from './entry';

/** Older ones are found by their code. */
const LOGS_SHOWN = 3;

interface Props {
  readonly view: EntryView;
  readonly way: string;
  /** Reports saved a moment ago; null where none were. */
  readonly saved: { readonly stored: number; readonly childId: number; readonly closed: boolean } | null;
  readonly enterPaperLog: EnterPaperLog;
}

/** Slips and calls are typed in: a child, its week, a box a task and day. By keys alone: name, Enter, boxes, Ctrl+Enter, the next name. */
export function EntryScreen({ view, way: requested, saved, enterPaperLog }: Props) {
  const { sheet, monday, children, today } = view;
  const way = ENTRY_WAYS.find((each) => each === requested) ?? 'paper';
  const weekAt = (day: string) =>
    `/reports/enter?${new URLSearchParams({ ...(sheet && { child: String(sheet.childId) }), week: day, way })}`;
  const letters = codeLettersOf(way === 'paper' && sheet ? sheet.language : BASE_LANGUAGE);
  return (
    <>
      <h1 className="text-[24px]">Enter paper logs and calls</h1>
      {saved && (
        <p role="status" className="mt-2 border-l-4 border-green bg-green-tint px-3 py-1.5">
          {saved.stored} {saved.stored === 1 ? 'report' : 'reports'} of{' '}
          {children.find(({ id }) => id === saved.childId)?.name ?? 'a student'} saved.
          {saved.closed && <strong> The comment may describe pain or an injury, so the task is on hold. Tell the therapist now.</strong>}
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2">
        <ChildPick key={sheet?.childId ?? 0} people={children} week={monday} way={way} chosen={sheet?.name ?? ''} />
        <p>
          week of <strong>{longDay(monday)}</strong>{' '}
          <Link href={weekAt(addDays(monday, -7))} prefetch={false} className="link" data-key="[" data-key-says="Previous week">
            Previous week
          </Link>
          {addDays(monday, 7) <= today && (
            <>
              {' · '}
              <Link href={weekAt(addDays(monday, 7))} prefetch={false} className="link" data-key="]" data-key-says="Next week">
                Next week
              </Link>
            </>
          )}
        </p>
        <p className="text-soft">
          received by{' '}
          {ENTRY_WAYS.map((each, index) => (
            <span key={each}>
              {index > 0 && ' · '}
              <Link
                href={`/reports/enter?${new URLSearchParams({ ...(sheet && { child: String(sheet.childId) }), week: monday, way: each })}`}
                prefetch={false}
                aria-current={each === way ? 'true' : undefined}
                className="link aria-[current]:font-bold aria-[current]:text-ink"
              >
                {words(`ways.${each}`)}
              </Link>
            </span>
          ))}
        </p>
        {sheet && sheet.logs.length > 0 && (
          <p className="text-soft">
            printed log{' '}
            {sheet.logs.slice(0, LOGS_SHOWN).map(({ number, printedAt }, index) => (
              <span key={number}>
                {index > 0 && ' · '}
                <Link
                  href={`${weekAt(monday)}&log=${number}`}
                  prefetch={false}
                  aria-current={number === sheet.log ? 'true' : undefined}
                  className="link aria-[current]:font-bold aria-[current]:text-ink"
                >
                  {sheet.childId}-{number}, printed {momentIn(printedAt, view.timeZone)}
                </Link>
              </span>
            ))}
          </p>
        )}
        <Link href="/reports" prefetch={false} className="link ml-auto" data-key="b" data-key-says="Back to Reports">
          Back to Reports
        </Link>
      </div>
      {sheet === null ? (
        <p className="mt-6 max-w-[640px] text-soft">
          Enter a student’s name, or the code at the bottom of the practice log. Families who report on paper:{' '}
          {children
            .filter(({ isPaper }) => isPaper)
            .map(({ id, name }, index) => (
              <span key={id}>
                {index > 0 && ', '}
                <Link href={`/reports/enter?child=${id}&week=${monday}&way=${way}`} prefetch={false} className="link">
                  {name}
                </Link>
              </span>
            ))}
          .
        </p>
      ) : (
        <div className="mt-4 grid grid-cols-1 gap-6 min-[1100px]:grid-cols-[minmax(0,1fr)_280px]">
          <EntryGrid
            key={`${sheet.childId} ${monday} ${way} ${sheet.log}`}
            sheet={sheet}
            way={way}
            monday={monday}
            enterPaperLog={enterPaperLog}
          />
          <aside className="text-[14px]">
            {sheet.texts.map(({ id, text, saidBy, receivedAt }) => (
              <blockquote key={id} className="mb-3 border-l-4 border-straw bg-straw-tint px-3 py-2" dir="auto">
                “{text}”
                <span className="block text-soft">
                  {saidBy || 'the family'}, {momentIn(receivedAt, view.timeZone)}
                </span>
              </blockquote>
            ))}
            <h2 className="text-[15px]">How to write in a box</h2>
            <ul className="text-soft">
              <li>
                a count: 8, and for each side {letters.left}5{letters.right}4
              </li>
              <li>
                help:{' '}
                {Object.entries(letters.help)
                  .map(([letter, help]) => `${letter} ${words(`helps.${help}`)}`)
                  .join(', ')}
              </li>
              <li>
                felt:{' '}
                {Object.entries(letters.effort)
                  .map(([letter, effort]) => `${letter} ${words(`efforts.${effort}`)}`)
                  .join(', ')}
              </li>
              <li>
                {letters.notDone} not done. Add why:{' '}
                {Object.entries(letters.reasons)
                  .map(([letter, reason]) => `${letter} ${words(`stops.${reason}`)}`)
                  .join(', ')}
              </li>
              <li>+ done, not counted</li>
              <li>minutes: 1.5, 1:30, or 90 s</li>
              <li>5+3: counted by two adults on one day</li>
              <li>33!: far from the target, and the log really says so</li>
            </ul>
          </aside>
        </div>
      )}
    </>
  );
}
