import type { TableName } from '../models/tables';

/** Columns that an export leaves out: secrets, and state of the running program. */
type LeftOut =
  | 'sign_ins'
  | 'known_devices'
  | 'recovery_codes'
  | 'password_links'
  | 'invitations'
  | 'sign_in_tries'
  | 'api_keys'
  | 'jobs'
  | 'system_marks';
export type WholeTable = Exclude<TableName, LeftOut>;

/** Columns that stay here. Where everything comes back the database's own nothing stands in their place, or the hash of what nobody knows. */
export const COLUMNS_LEFT_OUT: { readonly [Table in WholeTable]?: Readonly<Record<string, 'nothing' | 'opensNothing'>> } = {
  people: { password_hash: 'opensNothing', factor_secret: 'nothing', factor_at: 'nothing', factor_step: 'nothing' },
  family_links: { token_hash: 'opensNothing', token_salt: 'nothing' },
  teacher_links: { token_hash: 'opensNothing', token_salt: 'nothing' },
};

/** Meaning of each table, for readers of an export without the program. */
export const MEANINGS: Readonly<Record<WholeTable, string>> = {
  people: 'who works here: name, address, role, when the account was closed; no passwords',
  workplace: 'the workplace’s own settings, one row',
  schools: 'schools, and the weekdays on which they are visited',
  school_years: 'school years',
  school_breaks: 'breaks of a school year',
  reporting_periods: 'reporting periods of a school year',
  children: 'children: called name and initial, school, and what practice has to know of them and their home',
  child_changes: 'what was changed on a child’s record, from what to what, by whom',
  hand_overs: 'which child was handed over from whom to whom, with a note',
  home_answers: 'what families told of the things they have at home',
  child_access: 'who leads, shares or assists which child',
  phrases: 'answers to families’ words that people use again',
  measurements: 'what the therapist measured at school',
  goals: 'goals of a child; their words are in goal_versions',
  goal_versions: 'each version of a goal, with why it was written anew',
  list_columns: 'which heading of a list means what, as somebody matched it',
  goal_words: 'what was written of a goal for a reporting period',
  week_plans: 'proposals of a week that nobody has taken yet',
  week_templates: 'shapes of a week that people keep',
  kit_stock: 'how many of a thing lie in the cupboard',
  media: 'files of clips and pictures, by the SHA-256 of their content; the files are in media/',
  clips: 'clips and pictures: of what, who agreed, until when',
  clip_files: 'the forms of a clip, by the file that holds each',
  kit_bags: 'bags that were packed for a child and a week',
  wording_patterns: 'patterns for the words of a report on a goal',
  closed_goals: 'reports on goals as they stood when their period was closed',
  yard_views: 'views of the Yard that people keep',
  tasks: 'tasks by their short name; whose they are, and what they were copied from',
  task_drafts: 'tasks that somebody is still writing',
  task_versions: 'each version of a task: its ladder, doses, materials and words',
  programs: 'the program of a child; its content is in program_versions and version_tasks',
  program_drafts: 'programs that somebody is still writing',
  program_versions: 'each version of a program: from when to when, sent by whom and why',
  version_tasks: 'the tasks of a version: step, days, dose, target',
  family_links: 'private links of families: when made and ended; not what opens them',
  reports: 'what caregivers reported, and measurements typed as sessions, one row a task and day',
  report_corrections: 'reports as they stood before somebody corrected them',
  messages: 'texts and letters to families',
  message_parts: 'of what a message was put together',
  decisions: 'decisions made in Review, with the suggestion and the reason',
  grade_changes: 'which step was changed to which, when, why and by whom',
  audit: 'who looked at and changed what; each row holds the hash of the one before it',
  audit_drops: 'which old rows of the trail were taken away',
  audit_head: 'the last hash of the trail',
  audit_groups: 'groups of children that a row of the trail is about',
  audit_group_children: 'the children of such a group',
  stop_lifts: 'who opened a closed task again, with what was found',
  report_readers: 'who has read which report',
  family_notes: 'notes that families see beside a task',
  incoming_texts: 'texts as families wrote them',
  teacher_links: 'private links of teachers: when made and ended; not what opens them',
  stopped_numbers: 'numbers that want no more messages',
};
