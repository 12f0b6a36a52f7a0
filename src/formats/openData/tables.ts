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
  column('childId', 'Child number', 'whole number', 'the child’s number here; the same in every table'),
  column('child', 'Child', 'text', 'called name and initial', 'personal'),
  column('school', 'School', 'text', 'the school at which the child is seen'),
] as const;

const reports: OpenTable = {
  name: 'reports',
  meaning: 'what caregivers reported, a row a task and day; what the therapist measured is in “measurements”',
  columns: [
    column('id', 'Report number', 'whole number', 'the report’s number here, growing with the time at which it came in'),
    ...CHILD,
    column('task', 'Task', 'text', 'the task’s English title'),
    column('slug', 'Task name', 'text', 'the task’s short name in packs and addresses'),
    column('step', 'Step', 'whole number', 'step of the task’s ladder, 1 the easiest'),
    column('doneOn', 'Done on', 'day', 'the day of practice, at the child’s home'),
    column('done', 'Done', 'yes or no', 'whether it was done; “no” is a report, too'),
    column('amount', 'Amount', 'number', 'good repetitions, pieces or minutes, as the task counts them', 'empty'),
    column('left', 'Left', 'number', 'of these with the left hand, where the task counts each hand', 'empty'),
    column('right', 'Right', 'number', 'of these with the right hand', 'empty'),
    column('minutes', 'Minutes', 'whole number', 'how long it took', 'empty'),
    column('help', 'Help', HELP_LEVELS, 'the help with which it was done, from most to none', 'empty'),
    column('effort', 'Felt', EFFORTS, 'how it felt to the child, as the caregiver saw it', 'empty'),
    column('stopReason', 'Reason', STOP_REASONS, 'why it stopped, or was not done', 'empty'),
    column('injury', 'Injury report', DANGERS, 'how an injury was reported; empty where none was', 'empty'),
    column('mistake', 'Pressed by mistake', 'yes or no', 'whether the family said later that “Something hurt” was pressed by mistake'),
    column('onHold', 'On hold', 'yes or no', 'whether this report keeps the activity on hold'),
    column('words', 'Words', 'text', 'what was written beside it, as it was written', 'empty personal'),
    column('saidBy', 'Said by', 'text', 'who said it', 'empty personal'),
    column('way', 'Way', REPORT_WAYS, 'by which way it came'),
    column('saidAt', 'Said at', 'moment', 'when it came in, UTC'),
  ],
};

const goals: OpenTable = {
  name: 'goals',
  meaning: 'goals as they stand now, a row a goal',
  columns: [
    column('id', 'Goal number', 'whole number', 'the goal’s number here'),
    ...CHILD,
    column('skill', 'Skill', SKILLS, 'the skill that it is about'),
    column('statement', 'Goal', 'text', 'the goal in the therapist’s words', 'personal'),
    column('measure', 'Measured by', ['count', 'amount', 'help', 'minutes', 'rating', 'words'], 'in what it is measured'),
    column('from', 'From', 'number', 'baseline; of help and own levels its place, 0 the lowest', 'empty'),
    column('to', 'To', 'number', 'criterion, in the same unit', 'empty'),
    column('of', 'Out of', 'number', 'of how many, where it is a count', 'empty'),
    column('baselineOn', 'Baseline on', 'day', 'when the baseline was taken', 'empty'),
    column('mostHelp', 'Most help', HELP_LEVELS, 'the most help with which it still counts'),
    column('sessions', 'Sessions', 'whole number', 'in how many sessions in a row the criterion is to be met'),
    column('reviewOn', 'Review on', 'day', 'when it is looked at again'),
    column('closedOn', 'Closed on', 'day', 'when it was closed', 'empty'),
    column('closedWhy', 'Closed because', 'text', 'why it was closed', 'empty personal'),
    column('versions', 'Versions', 'whole number', 'how often it was written'),
  ],
};

const measurements: OpenTable = {
  name: 'measurements',
  meaning: 'what the therapist measured at school; never mixed with what caregivers report',
  columns: [
    column('id', 'Measurement number', 'whole number', 'its number here'),
    ...CHILD,
    column('goalId', 'Goal number', 'whole number', 'the goal that it is of', 'empty'),
    column('slug', 'Task name', 'text', 'the task’s short name, where it was measured with one', 'empty'),
    column('step', 'Step', 'whole number', 'step of that task’s ladder', 'empty'),
    column('measuredOn', 'Measured on', 'day', 'the day at school'),
    column('good', 'Good', 'number', 'how many were good', 'empty'),
    column('trials', 'Out of', 'number', 'of how many', 'empty'),
    column('help', 'Help', HELP_LEVELS, 'the help with which it was done', 'empty'),
    column('level', 'Level', 'whole number', 'place among the goal’s own levels, 0 the lowest', 'empty'),
    column('minutes', 'Minutes', 'number', 'minutes', 'empty'),
    column('note', 'Note', 'text', 'the therapist’s note', 'empty personal'),
    column('measuredBy', 'Measured by', 'text', 'who measured', 'personal'),
  ],
};

/** Its headings are those of the list that Caseload reads. */
const roster: OpenTable = {
  name: 'roster',
  meaning: 'children, a row a child; the file can be brought in as a list on Caseload',
  columns: [
    column('childId', 'Child number', 'whole number', 'the child’s number here; the same in every table'),
    column('calledName', 'First name', 'text', 'the name by which the child is called', 'personal'),
    column('initial', 'Last initial', 'text', 'of the family name only this', 'personal'),
    column('bornOn', 'Born on', 'day', 'birthday', 'personal'),
    column('school', 'School', 'text', 'the school at which the child is seen'),
    column('hand', 'Hand', ['left', 'right', 'unsettled'], 'the hand that writes'),
    column('minutesPerDay', 'Minutes a day', 'whole number', 'how long a family can practise in a day'),
    column('familyLanguage', 'Family language', 'text', 'two letters (ISO 639-1)'),
    column('allergies', 'Allergies', 'text', 'parted by semicolons', 'empty personal'),
    column('mouthsThings', 'Mouths things', 'yes or no', 'whether things go into the mouth'),
    column('scissorsAllowed', 'Scissors allowed', 'yes or no', 'whether the family wants scissors'),
    column('hasPrinter', 'Has a printer', 'yes or no', 'whether there is a printer at home'),
    column('reportWay', 'Word comes by', FAMILY_WAYS, 'by which way a family reports'),
    column('helpers', 'Helpers', 'text', 'who helps', 'empty personal'),
    column('teacher', 'Teacher', 'text', 'teacher or room', 'empty personal'),
    column('likes', 'Likes', 'text', 'what the child likes', 'empty personal'),
  ],
};

const kits: OpenTable = {
  name: 'kits',
  meaning: 'what was packed for home, a row a thing in a bag',
  columns: [
    column('id', 'Bag number', 'whole number', 'the bag’s number here; a bag has as many rows as things'),
    ...CHILD,
    column('week', 'Week', 'day', 'Monday of the week'),
    column('thing', 'Thing', 'text', 'the thing’s short name in the library'),
    column('count', 'Count', 'whole number', 'how many'),
    column('comesBack', 'Comes back', 'yes or no', 'whether it is lent and comes back'),
    column('packedAt', 'Packed at', 'moment', 'UTC'),
    column('handedAt', 'Handed out at', 'moment', 'UTC', 'empty'),
    column('backAt', 'Back at', 'moment', 'UTC', 'empty'),
  ],
};

export const OPEN_TABLES = { reports, goals, measurements, roster, kits } as const satisfies Record<string, OpenTable>;
export type OpenTableName = keyof typeof OPEN_TABLES;
export const OPEN_TABLE_NAMES = Object.keys(OPEN_TABLES) as OpenTableName[];
