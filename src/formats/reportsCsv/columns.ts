import type { ReportColumn } from '@/core/reports';

/** How lists of reports usually call their columns. Common practice, no source. */
export const USUAL_REPORT_HEADINGS: Readonly<Record<ReportColumn, readonly string[]>> = {
  child: ['child', 'name', 'student', 'student name', 'pupil'],
  task: ['task', 'activity', 'exercise', 'what'],
  doneOn: ['done on', 'day', 'date', 'when', 'on'],
  done: ['done', 'done?', 'completed', 'was it done'],
  amount: ['amount', 'count', 'reps', 'repetitions', 'how many', 'reached', 'number'],
  left: ['left', 'left hand', 'l'],
  right: ['right', 'right hand', 'r'],
  minutes: ['minutes', 'min', 'how long', 'time'],
  help: ['help', 'help given', 'assistance', 'prompt'],
  effort: ['difficulty', 'felt', 'effort', 'how it felt', 'how hard'],
  stopReason: ['reason', 'why not', 'why it stopped', 'stopped'],
  step: ['step', 'level', 'grade'],
  words: ['words', 'note', 'notes', 'comment', 'comments'],
  saidBy: ['reported by', 'said by', 'who', 'helper', 'by'],
};
