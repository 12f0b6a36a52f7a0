import { FAMILY_WAYS } from '@/core/students';
import { EFFORTS, REPORT_WAYS, STOP_REASONS } from '@/core/reports';
import { HELP_LEVELS } from '@/core/vocabulary';
import { DANGERS } from '@/core/safety';
import { SKILLS } from '@/core/vocabulary';
import type { OpenColumn, OpenKind, OpenTable } from './column';

const column = (key: string, heading: string, kind: OpenKind, meaning: string, marks = ''): OpenColumn => ({
  key,
  heading,
  kind,
  meaning,
  mayBeEmpty: marks.includes('empty'),
  isPersonal: marks.includes('personal'),
});
const CHILD = [
  column('childId', 'Student number', 'whole number', 'number of the student in this installation, the same in every table'),
  column('child', 'Student', 'text', 'first name and last initial', 'personal'),
  column('school', 'School', 'text', 'the student’s school'),
] as const;

const reports: OpenTable = {
  name: 'reports',
  meaning: 'caregiver reports, one row per task and day. School data is in “measurements”.',
  columns: [
    column('id', 'Report number', 'whole number', 'number of the report in this installation, higher for later reports'),
    ...CHILD,
    column('task', 'Task', 'text', 'title of the task, in English'),
    column('description', 'Description', 'text', 'what is done, in plain words', 'empty'),
    column('slug', 'Task ID', 'text', 'short name of the task in packs and addresses'),
    column('step', 'Step', 'whole number', 'step of the task, 1 is the easiest'),
    column('doneOn', 'Done on', 'day', 'day of practice, in the time zone of the school'),
    column('done', 'Done', 'yes or no', 'whether the task was done (“no” is also a report)'),
    column('amount', 'Amount', 'number', 'successful repetitions, pieces or minutes, depending on the task', 'empty'),
    column('left', 'Left', 'number', 'with the left hand, if the task counts each hand', 'empty'),
    column('right', 'Right', 'number', 'with the right hand', 'empty'),
    column('minutes', 'Minutes', 'whole number', 'duration of practice', 'empty'),
    column('help', 'Help', HELP_LEVELS, 'level of help, from full physical to independent', 'empty'),
    column('effort', 'Difficulty', EFFORTS, 'difficulty for the student, reported by the caregiver', 'empty'),
    column('stopReason', 'Reason', STOP_REASONS, 'reason for stopping early or not practicing', 'empty'),
    column('injury', 'Injury report', DANGERS, 'how an injury was reported, empty if none was', 'empty'),
    column('mistake', 'Pressed by mistake', 'yes or no', 'whether the family later said that they pressed “Something hurt” by mistake'),
    column('onHold', 'On hold', 'yes or no', 'whether this report keeps the task on hold'),
    column('words', 'Comment', 'text', 'comment of the caregiver, unchanged', 'empty personal'),
    column('saidBy', 'Reported by', 'text', 'person who reported', 'empty personal'),
    column('way', 'Source', REPORT_WAYS, 'link, text message, paper, phone call or teacher'),
    column('saidAt', 'Received at', 'moment', 'time the report was received, in UTC'),
  ],
};

const goals: OpenTable = {
  name: 'goals',
  meaning: 'current goals, one row per goal',
  columns: [
    column('id', 'Goal number', 'whole number', 'number of the goal in this installation'),
    ...CHILD,
    column('skill', 'Skill', SKILLS, 'main skill of the goal'),
    column('statement', 'Goal', 'text', 'the goal in the therapist’s words', 'personal'),
    column('measure', 'Measured by', ['count', 'amount', 'help', 'minutes', 'rating', 'words'], 'unit of the baseline and the criterion'),
    column('from', 'Baseline', 'number', 'baseline value. For levels of help and rating levels the position, 0 is the lowest', 'empty'),
    column('to', 'Criterion', 'number', 'criterion value, in the same unit', 'empty'),
    column('of', 'Out of', 'number', 'number of trials, for counts', 'empty'),
    column('baselineOn', 'Baseline on', 'day', 'day of the baseline', 'empty'),
    column('mostHelp', 'Most help', HELP_LEVELS, 'most help with which the criterion still counts as met'),
    column('sessions', 'Sessions', 'whole number', 'number of consecutive sessions in which the criterion must be met'),
    column('reviewOn', 'Review on', 'day', 'review date'),
    column('closedOn', 'Closed on', 'day', 'day on which the goal was closed', 'empty'),
    column('closedWhy', 'Closed because', 'text', 'reason for closing', 'empty personal'),
    column('versions', 'Versions', 'whole number', 'number of times the goal was saved'),
  ],
};

const measurements: OpenTable = {
  name: 'measurements',
  meaning: 'school data that the therapist collected, never combined with caregiver reports',
  columns: [
    column('id', 'Measurement number', 'whole number', 'number of the measurement in this installation'),
    ...CHILD,
    column('goalId', 'Goal number', 'whole number', 'goal that was measured', 'empty'),
    column('slug', 'Task ID', 'text', 'short name of the task, if one was used', 'empty'),
    column('step', 'Step', 'whole number', 'step of that task', 'empty'),
    column('measuredOn', 'Measured on', 'day', 'day of the measurement'),
    column('good', 'Successful', 'number', 'successful trials', 'empty'),
    column('trials', 'Out of', 'number', 'number of trials', 'empty'),
    column('help', 'Help', HELP_LEVELS, 'level of help', 'empty'),
    column('level', 'Level', 'whole number', 'position among the rating levels of the goal, 0 is the lowest', 'empty'),
    column('minutes', 'Minutes', 'number', 'duration in minutes', 'empty'),
    column('note', 'Note', 'text', 'note by the therapist', 'empty personal'),
    column('measuredBy', 'Measured by', 'text', 'person who collected the data', 'personal'),
  ],
};

/** Its headings are those of the list that Caseload reads. */
const roster: OpenTable = {
  name: 'roster',
  meaning: 'students, one row per student. The file can be imported as a list on Caseload.',
  columns: [
    column('childId', 'Student number', 'whole number', 'number of the student in this installation, the same in every table'),
    column('calledName', 'First name', 'text', 'name used at school', 'personal'),
    column('initial', 'Last initial', 'text', 'first letter of the last name', 'personal'),
    column('bornOn', 'Born on', 'day', 'date of birth', 'personal'),
    column('school', 'School', 'text', 'the student’s school'),
    column('hand', 'Hand', ['left', 'right', 'unsettled'], 'dominant hand, or unsettled if the preference is not established'),
    column('minutesPerDay', 'Minutes a day', 'whole number', 'minutes of practice a day that the family can do'),
    column('familyLanguage', 'Family language', 'text', 'two-letter code (ISO 639-1)'),
    column('allergies', 'Allergies', 'text', 'separated by semicolons', 'empty personal'),
    column('mouthsThings', 'Mouths objects', 'yes or no', 'whether the student puts objects in the mouth'),
    column('scissorsAllowed', 'Scissors allowed', 'yes or no', 'whether the family allows scissors'),
    column('hasPrinter', 'Has a printer', 'yes or no', 'whether the family has a printer'),
    column('reportWay', 'Reports by', FAMILY_WAYS, 'how the family reports'),
    column('helpers', 'Helpers', 'text', 'people who help with practice', 'empty personal'),
    column('teacher', 'Teacher', 'text', 'teacher or classroom', 'empty personal'),
    column('likes', 'Likes', 'text', 'interests of the student', 'empty personal'),
  ],
};

const kits: OpenTable = {
  name: 'kits',
  meaning: 'kits packed for home, one row per material in a bag',
  columns: [
    column('id', 'Bag number', 'whole number', 'number of the bag in this installation, with one row per material'),
    ...CHILD,
    column('week', 'Week', 'day', 'Monday of the practice week'),
    column('thing', 'Material', 'text', 'short name of the material in the library'),
    column('count', 'Count', 'whole number', 'number of pieces'),
    column('comesBack', 'Comes back', 'yes or no', 'whether the material is lent and must come back'),
    column('packedAt', 'Packed at', 'moment', 'time of packing, in UTC'),
    column('handedAt', 'Handed out at', 'moment', 'time of handing out, in UTC', 'empty'),
    column('backAt', 'Returned at', 'moment', 'time of return, in UTC', 'empty'),
  ],
};

export const OPEN_TABLES = { reports, goals, measurements, roster, kits } as const satisfies Record<string, OpenTable>;
export type OpenTableName = keyof typeof OPEN_TABLES;
export const OPEN_TABLE_NAMES = Object.keys(OPEN_TABLES) as OpenTableName[];
