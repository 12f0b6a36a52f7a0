import Link from 'next/link';
import { BASELINE_ID } from '@/core/progress';
import type { GoalInFull } from '@/server/progress/goalInFull';
import type { ProgressView } from '@/server/progress/viewProgress';
import { dayAndMonth, longDay } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { criterionWords, unitWords } from '../goals/goalWords';
import { HeadRow } from '../parts/HeadRow';
import { KeyCap } from '../parts/KeyCap';
import { ClosedPeriods } from './ClosedPeriods';
import { ForTheReport, type ReportActs } from './ForTheReport';
import { GoalList } from './GoalList';
import { HowDoYouKnow } from './HowDoYouKnow';
import { ProgressChart } from './ProgressChart';
import { reportSentences, standingWords } from './reportWords';

interface Props {
  readonly view: ProgressView;
  readonly acts: ReportActs;
}

/** Helps to write the report: one goal with its data and the paragraph built from them, and the verdict of every other one. */
export function ProgressScreen({ view, acts }: Props) {
  const { here, lines } = view;
  if (!here)
    return (
      <>
        <h1 className="text-[24px]">Progress</h1>
        <p className="mt-4 max-w-[560px] text-soft">
          No open goal has numbers yet. Write goals with a baseline and a criterion on a student’s page. Your data for them are shown here.
        </p>
      </>
    );
  return (
    <div className="grid grid-cols-1 gap-8 min-[1100px]:grid-cols-[minmax(0,1fr)_380px] print:block">
      <Chosen view={view} here={here} acts={acts} />
      <GoalList lines={lines} chosenId={here.goalId} today={view.today} />
    </div>
  );
}

function Chosen({ view, here, acts }: Props & { readonly here: GoalInFull }) {
  const { goal, child, figures, tasks } = here;
  const sentences = reportSentences(goal, figures, child.calledName);
  const paragraph = sentences.map(({ says }) => says).join(' ');
  return (
    <section aria-label="Goal" className="min-w-0">
      <h1 className="text-[24px]">{goal.statement}</h1>
      <p className="text-soft">
        <Link href={`/students/${here.childId}`} prefetch={false} className="font-semibold text-ink underline">
          {here.childName}
        </Link>{' '}
        · {criterionWords(goal)} By {longDay(goal.reviewOn)}.
        {tasks.length > 0 && ` Linked tasks: ${tasks.map(({ title }) => title.en).join(', ')}.`}
      </p>
      {figures.own ? (
        <ProgressChart
          here={here}
          today={view.today}
          breaks={view.breaks}
          says={`Chart of ${here.childName}, ${goal.statement}: ${standingWords(figures)}. ${paragraph} The table below has all values.`}
        />
      ) : (
        <p className="mt-3 text-soft">This goal has no numeric measure, so there is no chart.</p>
      )}
      <p className="text-[13px] text-soft">
        ■ School data · ○ Family reports · – – Aim line · Line and shaded band: trend of school data through the review date · Solid
        vertical line: step change · Dotted: theme change
      </p>
      <h2 className="mt-3 border-b border-ink pb-1 text-[18px]">{standingWords(figures)}</h2>
      <div className="mt-2 grid grid-cols-1 gap-6 min-[900px]:grid-cols-2 print:block">
        <ForTheReport view={view} here={here} sentences={sentences} acts={acts} />
        <HowDoYouKnow here={here} sentences={sentences} />
      </div>
      <Figures here={here} />
      <ClosedPeriods here={here} timeZone={view.timeZone} reopen={acts.reopen} />
      <p className="mt-4 flex gap-4 print:hidden">
        <Link
          href={`/students/${here.childId}/measure?goal=${here.goalId}`}
          prefetch={false}
          className="link"
          data-key="m"
          data-key-says="Measure"
        >
          Collect data now <KeyCap>M</KeyCap>
        </Link>
      </p>
    </section>
  );
}

/** Every value behind the chart, as a screen reader reads it: which report, which day, at which step, with how much help. */
function Figures({ here: { goal, figures, childId } }: { readonly here: GoalInFull }) {
  const rows = [
    ...figures.ownPoints.map((point) => ({ ...point, whose: 'measured' as const })),
    ...figures.family.map((point) => ({ ...point, whose: 'family' as const })),
  ].sort((one, other) => (one.day < other.day ? 1 : -1));
  return (
    <details className="mt-4">
      <summary className="link inline">Show the data as a table ({rows.length})</summary>
      <div className="mt-1 overflow-x-auto">
        <table className="w-full max-w-[720px] border-collapse">
          <HeadRow heads={['day', 'value', 'by', 'help', 'step', '']} />
          <tbody>
            {rows.map((row) => (
              <tr key={`${row.whose} ${row.sourceId} ${row.day}`}>
                <td className="cell whitespace-nowrap">{dayAndMonth(row.day)}</td>
                <td className="cell">{unitWords(goal.measure, row.value)}</td>
                <td className="cell">
                  {row.whose === 'family' ? 'the family' : row.sourceId === BASELINE_ID ? 'School data: the baseline' : 'you'}
                </td>
                <td className="cell">{row.help ? words(`helps.${row.help}`) : '–'}</td>
                <td className="cell">{row.step ?? '–'}</td>
                <td className="cell">
                  {row.whose === 'family' && (
                    <Link href={`/students/${childId}/reports/${row.sourceId}`} prefetch={false} className="link">
                      The report
                    </Link>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  );
}
