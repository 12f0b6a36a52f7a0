import type { WatchAnswer, WatchItem } from '@/core/vocabulary';
import type { LoggedReport } from '@/server/reports/loggedReports';
import { OUTCOME_WORDS, Pip } from '../../stepTimeline/pips';
import { dayAndMonth } from '../../shared/days';
import { words } from '../../shared/deskWords';
import { HeadRow } from './HeadRow';

function dangerWords({ danger, mistake, holds }: LoggedReport): string {
  if (mistake) return '“Something hurt”, pressed by mistake.';
  const said =
    danger === 'words' ? 'Possible injury, from the comment.' : danger === 'pressed' ? '“Something hurt” was pressed.' : 'Something hurt.';
  return holds ? `${said} The task is on hold.` : said;
}

/** Lists the family's observations of the things that the task says to look for. */
function watchedWords({ watched }: LoggedReport): string {
  return (Object.entries(watched) as [WatchItem, WatchAnswer][])
    .map(([item, seen]) => `${words(`watchItems.${item}`)}: ${words(`watchAnswers.${seen}`)}`)
    .join('; ');
}

/** Lists reports, newest first. The family's comments are shown as they were written. */
export function ReportTable({
  reports,
  withTask,
  mayCorrect = false,
}: {
  reports: readonly LoggedReport[];
  withTask: boolean;
  /** Each row leads to where it can be put right. */
  mayCorrect?: boolean;
}) {
  if (reports.length === 0) return <p className="text-soft">No reports yet.</p>;
  return (
    <div className="overflow-x-auto">
      <table className="w-full border-collapse">
        <HeadRow heads={['date', ...(withTask ? ['task'] : []), 'step', 'count', 'help', 'difficulty', 'comment', 'source']} />
        <tbody>
          {reports.map((report) => (
            <tr key={report.reportId} data-row>
              <ReportCells report={report} withTask={withTask} mayCorrect={mayCorrect} />
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** The cells of one report, from the day on which it was done to who told it and how. */
export function ReportCells({ report, withTask, mayCorrect }: { report: LoggedReport; withTask: boolean; mayCorrect: boolean }) {
  return (
    <>
      <td className="cell whitespace-nowrap">{dayAndMonth(report.doneOn)}</td>
      {withTask && <td className="cell whitespace-nowrap">{report.content.title.en}</td>}
      <td className="cell">
        {report.step} {report.content.ladder.steps[report.step - 1]?.name.en}
      </td>
      <td className="cell whitespace-nowrap">
        <Pip kind={report.outcome} /> <span className="sr-only">{OUTCOME_WORDS[report.outcome]}</span>
        {!report.done
          ? 'reported not done'
          : report.danger && report.amount === null
            ? 'not counted'
            : report.amount === null
              ? 'done, amount not reported'
              : `${report.amount} of ${report.target}`}
        {(report.left !== null || report.right !== null) && (
          <span className="text-soft">
            {' '}
            · left {report.left ?? '–'}, right {report.right ?? '–'}
          </span>
        )}
      </td>
      <td className="cell whitespace-nowrap">{report.help ? words(`helps.${report.help}`) : '–'}</td>
      <td className="cell whitespace-nowrap">
        {report.effort ? words(`efforts.${report.effort}`) : '–'}
        {report.stopReason && <span className="text-soft"> · {words(`stops.${report.stopReason}`)}</span>}
      </td>
      <td className="cell max-w-[320px] [overflow-wrap:anywhere]" dir="auto">
        {report.danger && <strong className="text-brick">{dangerWords(report)} </strong>}
        {report.isQuestion && <strong>Question: </strong>}
        {report.words && <>“{report.words.length > 300 ? `${report.words.slice(0, 300)}…` : report.words}”</>}
        {watchedWords(report) && <span className="text-soft"> {watchedWords(report)}</span>}
        {report.correctedAt && <span className="text-soft"> corrected</span>}
      </td>
      <td className="cell whitespace-nowrap text-soft">
        {words(`ways.${report.way}`)}
        {report.saidBy && `, ${report.saidBy}`}
        {mayCorrect && (
          <a className="link relative ml-2" href={`/students/${report.childId}/reports/${report.reportId}`}>
            Correct<span className="sr-only"> the report of {dayAndMonth(report.doneOn)}</span>
          </a>
        )}
      </td>
    </>
  );
}
