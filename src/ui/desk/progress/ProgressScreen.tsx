import Link from 'next/link';
import { BASELINE_ID } from '@/core/progress';
import type { GoalInFull, ProgressView } from '@/server/progress/viewProgress';
import { dayAndMonth, longDay } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { criterionWords, unitWords } from '../goals/goalWords';
import { ActionForm, type WordedAction } from '../parts/ActionForm.client';
import { HeadRow } from '../parts/HeadRow';
import { KeyCap } from '../parts/KeyCap';
import { PrintLink } from '../parts/PrintLink.client';
import { ClosedPeriods } from './ClosedPeriods';
import { CopyWords } from './CopyWords.client';
import { GoalList } from './GoalList';
import { ProgressChart } from './ProgressChart';
import { reportSentences, standingWords } from './reportWords';

interface Props {
  readonly view: ProgressView;
  readonly write: WordedAction;
  readonly close: WordedAction;
}

/** What to write in the report: one goal with its data and the paragraph made of them, and where every other one stands. */
export function ProgressScreen({ view, write, close }: Props) {
  const { here, lines } = view;
  if (!here)
    return (
      <>
        <h1 className="text-[24px]">Progress</h1>
        <p className="mt-4 max-w-[560px] text-soft">
          No open goal has numbers yet. Write goals with a baseline and a criterion on a child’s page; what you measure of them stands here.
        </p>
      </>
    );
  return (
    <div className="grid grid-cols-1 gap-8 min-[1100px]:grid-cols-[minmax(0,1fr)_380px]">
      <Chosen view={view} here={here} write={write} close={close} />
      <GoalList lines={lines} chosenId={here.goalId} today={view.today} />
    </div>
  );
}

function Chosen({ view, here, write, close }: Props & { readonly here: GoalInFull }) {
  const { goal, child, figures, tasks } = here;
  const sentences = reportSentences(goal, figures, child.calledName);
  const paragraph = sentences.map(({ says }) => says).join(' ');
  const ownWords = here.words?.words ?? '';
  const closedNow = view.period && here.closed.some(({ from }) => from === view.period!.from);
  return (
    <section aria-label="Goal" className="min-w-0">
      <h1 className="text-[24px]">{goal.statement}</h1>
      <p className="text-soft">
        <Link href={`/children/${here.childId}`} prefetch={false} className="font-semibold text-ink underline">
          {here.childName}
        </Link>{' '}
        · {criterionWords(goal)} By {longDay(goal.reviewOn)}.
        {tasks.length > 0 && ` Served by ${tasks.map(({ title }) => title.en).join(', ')}.`}
      </p>
      {figures.own ? (
        <ProgressChart
          here={here}
          today={view.today}
          breaks={view.breaks}
          says={`Chart of ${here.childName}, ${goal.statement}: ${standingWords(figures)}. ${paragraph} All values stand in the table below.`}
        />
      ) : (
        <p className="mt-3 text-soft">This goal is told in words or levels of your own: no line can be drawn.</p>
      )}
      <p className="text-[13px] text-soft">
        ■ measured by you · ○ the family’s word · – – aim · line and band: trend of your measures, up to the review
      </p>
      <h2 className="mt-3 border-b border-ink pb-1 text-[18px]">{standingWords(figures)}</h2>
      <div className="mt-2 grid grid-cols-1 gap-6 min-[900px]:grid-cols-2">
        <div>
          <h3 className="text-[15px]">For the report{view.period && `, ${view.period.name}`}</h3>
          <p id="paragraph" className="mt-1">
            {paragraph}
            {ownWords && (
              <>
                {' '}
                <span data-own-words className="border-l-[3px] border-slate pl-1.5 text-slate">
                  {ownWords}
                </span>
              </>
            )}
          </p>
          {ownWords && <p className="mt-1 text-[13px] text-soft">Lined: your own words. All else is rebuilt from figures.</p>}
          <div className="mt-2 flex flex-wrap gap-4 print:hidden">
            <CopyWords text={[paragraph, ownWords].filter(Boolean).join(' ')} />
            <PrintLink />
            <a className="link" href="/progress/file" download>
              all goals as a file
            </a>
          </div>
          {view.period && (
            <div className="mt-3 print:hidden">
              <ActionForm action={write} hidden={{ childId: here.childId, goalId: here.goalId }}>
                <label className="block text-[13px] font-semibold text-soft">
                  In your own words, after what is built
                  <textarea
                    name="words"
                    defaultValue={ownWords}
                    key={ownWords}
                    rows={2}
                    maxLength={2000}
                    className="field w-full font-normal text-ink"
                  />
                </label>
                <button className="act mt-1">Keep these words</button>
              </ActionForm>
              {closedNow ? (
                <p className="mt-2 text-soft">{view.period.name} is closed for this goal.</p>
              ) : (
                <ActionForm action={close} hidden={{ childId: here.childId, goalId: here.goalId }} className="mt-2">
                  <button className="link">close {view.period.name} for this goal</button>{' '}
                  <span className="text-[13px] text-soft">What stands here is kept as it is, whatever is corrected later.</span>
                </ActionForm>
              )}
            </div>
          )}
        </div>
        <div>
          <h3 className="text-[15px]">How do you know?</h3>
          {sentences.map(({ says, how }) => (
            <details key={says} className="mt-1 text-[14px]">
              <summary className="link inline">{says.length > 70 ? `${says.slice(0, 68)}…` : says}</summary>
              <p className="mt-1 border-l-4 border-line pl-2">{how}</p>
            </details>
          ))}
        </div>
      </div>
      <Figures here={here} />
      <ClosedPeriods here={here} timeZone={view.timeZone} />
      <p className="mt-4 flex gap-4 print:hidden">
        <Link
          href={`/children/${here.childId}/measure?goal=${here.goalId}`}
          prefetch={false}
          className="link"
          data-key="m"
          data-key-says="Measure"
        >
          measure it now <KeyCap>M</KeyCap>
        </Link>
      </p>
    </section>
  );
}

/** Every value behind the chart, as a screen reader reads it: whose word, which day, at which step, with how much help. */
function Figures({ here: { goal, figures, childId } }: { readonly here: GoalInFull }) {
  const rows = [
    ...figures.ownPoints.map((point) => ({ ...point, whose: 'measured' as const })),
    ...figures.family.map((point) => ({ ...point, whose: 'family' as const })),
  ].sort((one, other) => (one.day < other.day ? 1 : -1));
  return (
    <details className="mt-4">
      <summary className="link inline">figures as a table ({rows.length})</summary>
      <div className="mt-1 overflow-x-auto">
        <table className="w-full max-w-[720px] border-collapse">
          <HeadRow heads={['day', 'value', 'by', 'help', 'step', '']} />
          <tbody>
            {rows.map((row) => (
              <tr key={`${row.whose} ${row.sourceId} ${row.day}`}>
                <td className="cell whitespace-nowrap">{dayAndMonth(row.day)}</td>
                <td className="cell">{unitWords(goal.measure, row.value)}</td>
                <td className="cell">
                  {row.whose === 'family' ? 'the family' : row.sourceId === BASELINE_ID ? 'you: the baseline' : 'you'}
                </td>
                <td className="cell">{row.help ? words(`helps.${row.help}`) : '–'}</td>
                <td className="cell">{row.step ?? '–'}</td>
                <td className="cell">
                  {row.whose === 'family' && (
                    <Link href={`/children/${childId}/reports/${row.sourceId}`} prefetch={false} className="link">
                      the report
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
