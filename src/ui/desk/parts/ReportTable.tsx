import type { CalendarDay, Instant } from '@/core/calendar';
import type { Effort, HelpLevel, Outcome, StopReason } from '@/core/sessions';
import type { TaskContent } from '@/core/tasks';
import { OUTCOME_WORDS, Pip } from '../../flight/pips';
import { dayAndMonth } from '../../shared/days';
import { HeadRow } from './HeadRow';

export interface ReportLine {
  readonly reportId: number;
  readonly doneOn: CalendarDay;
  readonly saidAt: Instant;
  readonly step: number;
  readonly versionNumber: number;
  readonly done: boolean;
  readonly amount: number;
  readonly target: number;
  readonly left: number;
  readonly right: number;
  readonly help: HelpLevel | null;
  readonly effort: Effort | null;
  readonly stopReason: StopReason | null;
  readonly safetyWord: boolean;
  readonly isQuestion: boolean;
  readonly words: string;
  readonly saidBy: string;
  readonly way: string;
  readonly correctedAt: Instant | null;
  readonly outcome: Outcome;
  readonly content: TaskContent;
}

export const HELP_WORDS: Record<HelpLevel, string> = {
  handOverHand: 'hand over hand',
  steadied: 'steadied',
  shown: 'shown',
  pointed: 'pointing',
  words: 'words',
  alone: 'none',
};
export const EFFORT_WORDS: Record<Effort, string> = { tooEasy: 'too easy', right: 'right', tooHard: 'too hard' };
const STOP_WORDS: Record<StopReason, string> = {
  tired: 'tired',
  upset: 'upset',
  pain: 'something hurt',
  time: 'no time',
  other: 'stopped',
};

/** What came back, newest first. The words of the family stand as they were written. */
export function ReportTable({ reports, withTask }: { reports: readonly ReportLine[]; withTask: boolean }) {
  if (reports.length === 0) return <p className="text-soft">No word yet.</p>;
  return (
    <table className="w-full border-collapse">
      <HeadRow heads={['done', ...(withTask ? ['task'] : []), 'step', 'reached', 'help', 'felt', 'word', 'by']} />
      <tbody>
        {reports.map((report) => (
          <tr key={report.reportId} data-row>
            <td className="cell whitespace-nowrap">{dayAndMonth(report.doneOn)}</td>
            {withTask && <td className="cell whitespace-nowrap">{report.content.title.en}</td>}
            <td className="cell">
              {report.step} {report.content.ladder.steps[report.step - 1]?.name.en}
            </td>
            <td className="cell whitespace-nowrap">
              <Pip kind={report.outcome} /> <span className="sr-only">{OUTCOME_WORDS[report.outcome]}</span>
              {report.done ? `${report.amount} of ${report.target}` : 'said not done'}
              {report.left + report.right > 0 && (
                <span className="text-soft">
                  {' '}
                  · left {report.left}, right {report.right}
                </span>
              )}
            </td>
            <td className="cell whitespace-nowrap">{report.help ? HELP_WORDS[report.help] : '–'}</td>
            <td className="cell whitespace-nowrap">
              {report.effort ? EFFORT_WORDS[report.effort] : '–'}
              {report.stopReason && <span className="text-soft"> · {STOP_WORDS[report.stopReason]}</span>}
            </td>
            <td className="cell max-w-[320px] [overflow-wrap:anywhere]" dir="auto">
              {report.safetyWord && <strong className="text-brick">Something hurt. </strong>}
              {report.isQuestion && <strong>Question: </strong>}
              {report.words && <>“{report.words.length > 300 ? `${report.words.slice(0, 300)}…` : report.words}”</>}
              {report.correctedAt && <span className="text-soft"> corrected</span>}
            </td>
            <td className="cell whitespace-nowrap text-soft">
              {report.way}
              {report.saidBy && `, ${report.saidBy}`}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
