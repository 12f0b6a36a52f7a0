import Link from 'next/link';
import { REPORT_WAYS } from '@/core/reports';
import type { ReportsView, ReportsQuery } from '@/server/reports/viewReports';
import { momentIn } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { HeadRow } from '../parts/HeadRow';
import { KeyCap } from '../parts/KeyCap';
import { NamesWithLinks } from '../parts/NamesWithLinks';
import { ReportCells } from '../parts/ReportTable';
import { SearchBox } from '../parts/SearchBox.client';
import { reportsAddress } from './reportsQuery';

/** The therapist's own measurements are shown with the student, never among the family's reports. */
const FAMILY_WAYS = REPORT_WAYS.filter((way) => way !== 'measured');
const ONLY = ['hurt', 'question', 'corrected'] as const;

/** Every report that came in, by any way, with what needs a person on top. */
export function ReportsScreen({ view, options }: { view: ReportsView; options: ReportsQuery }) {
  const { lines, texts, olderThan, timeZone } = view;
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-[24px]">Reports</h1>
        <Link href="/reports/enter" prefetch={false} className="link" data-key="e" data-key-says="Enter paper logs and calls">
          Enter paper logs and calls <KeyCap>E</KeyCap>
        </Link>
        <Link href="/reports/import" prefetch={false} className="link" data-key="i" data-key-says="Import reports from a list">
          Import reports from a list <KeyCap>I</KeyCap>
        </Link>
        <SearchBox value={options.search} />
      </div>
      <Waiting texts={texts} timeZone={timeZone} />
      <Missing missing={view.missing} />
      <nav aria-label="Filter" className="mt-3 flex flex-wrap gap-x-5 gap-y-1 text-[14px]">
        <Choice
          title="Received by"
          href={(way) => reportsAddress(options, { way, beforeId: null })}
          chosen={options.way}
          choices={FAMILY_WAYS.map((way) => [way, words(`ways.${way}`)])}
        />
        <Choice
          title="Only"
          href={(only) => reportsAddress(options, { only, beforeId: null })}
          chosen={options.only}
          choices={ONLY.map((only) => [only, words(`logbook.only.${only}`)])}
        />
        <form action="/reports" className="flex flex-wrap items-center gap-2">
          {options.way && <input type="hidden" name="way" value={options.way} />}
          {options.only && <input type="hidden" name="only" value={options.only} />}
          <label>
            Comments <input name="words" defaultValue={options.words} className="field w-[120px] py-0" />
          </label>
          <label>
            From <input type="date" name="since" defaultValue={options.since ?? ''} className="field py-0" />
          </label>
          <label>
            To <input type="date" name="until" defaultValue={options.until ?? ''} className="field py-0" />
          </label>
          <button className="act py-0">Search</button>
        </form>
      </nav>
      {lines.length === 0 ? (
        <p className="mt-6 text-soft">No report matches.</p>
      ) : (
        <div className="mt-2 overflow-x-auto">
          <table className="w-full border-collapse">
            <HeadRow heads={['student', 'date', 'task', 'step', 'count', 'help', 'difficulty', 'comment', 'source']} />
            <tbody>
              {lines.map((line) => (
                <tr key={line.reportId} data-row>
                  <td className="cell font-semibold whitespace-nowrap">
                    <Link href={`/students/${line.childId}`} prefetch={false} className="hover:underline">
                      {line.childName}
                    </Link>
                  </td>
                  <ReportCells report={line} withTask mayCorrect={line.mayCorrect} />
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {olderThan !== null && (
        <p className="mt-3">
          <Link
            href={reportsAddress(options, { beforeId: olderThan })}
            prefetch={false}
            className="link"
            data-key="o"
            data-key-says="Show older"
          >
            Show older <KeyCap>O</KeyCap>
          </Link>
        </p>
      )}
    </>
  );
}

interface ChoiceProps {
  readonly title: string;
  readonly chosen: string | null;
  readonly choices: readonly (readonly [string, string])[];
  readonly href: (choice: string | null) => string;
}

function Choice({ title, chosen, choices, href }: ChoiceProps) {
  return (
    <p className="flex flex-wrap gap-x-3">
      <span className="text-soft">{title}</span>
      {[[null, 'everything'] as const, ...choices].map(([id, said]) => (
        <Link
          key={said}
          href={href(id)}
          prefetch={false}
          aria-current={chosen === id ? 'true' : undefined}
          className="link aria-[current]:font-bold aria-[current]:text-ink"
        >
          {said}
        </Link>
      ))}
    </p>
  );
}

/** Slips of last week that nobody has typed in: each leads to its sheet. */
function Missing({ missing }: Pick<ReportsView, 'missing'>) {
  if (missing.length === 0) return null;
  return (
    <p className="mt-3 text-[14px]">
      <span className="font-semibold">Practice logs of last week not entered yet:</span>{' '}
      <NamesWithLinks people={missing} hrefOf={({ childId, monday }) => `/reports/enter?child=${childId}&week=${monday}`} />
    </p>
  );
}

/** Texts that nobody could read: each leads to the sheet of its child, with the text beside it. */
function Waiting({ texts, timeZone }: Pick<ReportsView, 'texts' | 'timeZone'>) {
  if (texts.length === 0) return null;
  return (
    <section aria-label="Texts to review" className="mt-3 border-l-4 border-brick bg-brick-tint px-3 py-2">
      <h2 className="text-[16px] text-brick">Texts to review: {texts.length === 1 ? 'one text' : `${texts.length} texts`}</h2>
      <ul>
        {texts.map(({ id, childId, childName, text, saidBy, receivedAt }) => (
          <li key={id} className="mt-1">
            <span dir="auto">“{text}”</span>{' '}
            <span className="text-soft">
              {saidBy ? `${saidBy}, ` : ''}family of {childName}, {momentIn(receivedAt, timeZone)}
            </span>{' '}
            <Link href={`/reports/enter?child=${childId}`} prefetch={false} className="link">
              Save as report<span className="sr-only">: {childName}</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
