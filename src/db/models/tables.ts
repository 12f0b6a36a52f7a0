import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';

/** One table as Sequelize writes to it. Columns that the database fills by itself (id, generated) are left to it. */
export type Table = ModelStatic<Model>;

const { BIGINT, BOOLEAN, DATE, DATEONLY, DOUBLE, INTEGER, JSON: JSON_TEXT, STRING, TEXT } = DataTypes;
const moment = DATE(3);

/** The columns that the program writes, by table. Types, keys and checks live in the migrations. */
const COLUMNS = {
  people: { name: STRING, email: STRING, role: STRING, password_hash: STRING, created_at: moment },
  sign_ins: { person_id: BIGINT, token_hash: STRING, device: STRING, created_at: moment, expires_at: moment, revoked_at: moment },
  workplace: { emergency_number: STRING, time_zone: STRING },
  schools: { name: STRING, visit_days: STRING },
  school_years: { first_day: DATEONLY, last_day: DATEONLY },
  school_breaks: { school_year_id: BIGINT, name: STRING, from_day: DATEONLY, to_day: DATEONLY },
  children: {
    called_name: STRING,
    initial: STRING,
    school_id: BIGINT,
    born_on: DATEONLY,
    hand: STRING,
    mouths_things: BOOLEAN,
    scissors_allowed: BOOLEAN,
    has_printer: BOOLEAN,
    minutes_per_day: INTEGER,
    family_language: STRING,
    home_languages: JSON_TEXT,
    allergies: JSON_TEXT,
    textures_avoided: JSON_TEXT,
    materials_at_home: JSON_TEXT,
    helpers: STRING,
    report_way: STRING,
    time_zone: STRING,
    created_at: moment,
    task_settings: JSON_TEXT,
  },
  child_access: { child_id: BIGINT, person_id: BIGINT, access: STRING },
  goals: { child_id: BIGINT, skill: STRING, words: STRING, baseline: STRING, criterion: STRING, most_help: STRING, review_on: DATEONLY },
  tasks: { slug: STRING, owner_id: BIGINT, copied_from: BIGINT },
  task_drafts: { person_id: BIGINT, slug: STRING, content: JSON_TEXT, based_on: BIGINT, saved_at: moment },
  task_versions: { task_id: BIGINT, number: INTEGER, content: JSON_TEXT, created_at: moment },
  programs: { child_id: BIGINT, current_version: INTEGER, created_at: moment },
  program_drafts: { child_id: BIGINT, content: JSON_TEXT, saved_by: BIGINT, saved_at: moment },
  program_versions: {
    program_id: BIGINT,
    number: INTEGER,
    starts_on: DATEONLY,
    ends_on: DATEONLY,
    note: STRING,
    reason: STRING,
    sent_by: BIGINT,
    sent_at: moment,
    sent_on: DATEONLY,
  },
  version_tasks: {
    program_version_id: BIGINT,
    task_id: BIGINT,
    task_version_id: BIGINT,
    position: INTEGER,
    part: STRING,
    step: INTEGER,
    choose_from: INTEGER,
    choose_to: INTEGER,
    weekdays: JSON_TEXT,
    dose: JSON_TEXT,
    target: DOUBLE,
    step_since_version: INTEGER,
    choices: JSON_TEXT,
  },
  family_links: {
    child_id: BIGINT,
    token_hash: STRING,
    created_at: moment,
    expires_at: moment,
    revoked_at: moment,
    first_opened_at: moment,
  },
  reports: {
    idempotency_key: STRING,
    child_id: BIGINT,
    version_task_id: BIGINT,
    task_id: BIGINT,
    step: INTEGER,
    done: BOOLEAN,
    done_on: DATEONLY,
    said_at: moment,
    left_count: INTEGER,
    right_count: INTEGER,
    amount: INTEGER,
    minutes: INTEGER,
    help: STRING,
    effort: STRING,
    stop_reason: STRING,
    safety_word: BOOLEAN,
    is_question: BOOLEAN,
    words: TEXT,
    said_by: STRING,
    way: STRING,
    link_id: BIGINT,
    read_by: BIGINT,
    read_at: moment,
    corrected_at: moment,
  },
  report_corrections: { report_id: BIGINT, corrected_at: moment, before_correction: JSON_TEXT },
  messages: {
    child_id: BIGINT,
    kind: STRING,
    words: STRING,
    status: STRING,
    created_by: BIGINT,
    created_at: moment,
    handed_over_at: moment,
    link_id: BIGINT,
  },
  decisions: {
    child_id: BIGINT,
    task_id: BIGINT,
    kind: STRING,
    decision_key: STRING,
    answer: STRING,
    followed: BOOLEAN,
    reason: STRING,
    suggestion: JSON_TEXT,
    decided_by: BIGINT,
    decided_at: moment,
    later_until: DATEONLY,
    undone_by: BIGINT,
    undone_at: moment,
  },
  grade_changes: {
    child_id: BIGINT,
    task_id: BIGINT,
    version_number: INTEGER,
    from_step: INTEGER,
    to_step: INTEGER,
    why: STRING,
    decision_id: BIGINT,
    changed_by: BIGINT,
    changed_at: moment,
    changed_on: DATEONLY,
  },
  audit: { at: moment, person_id: BIGINT, link_id: BIGINT, child_id: BIGINT, action: STRING, detail: STRING },
} as const;

export type TableName = keyof typeof COLUMNS;
export type Column<Name extends TableName> = keyof (typeof COLUMNS)[Name] | 'id';

const WITHOUT_OWN_ID: readonly TableName[] = ['child_access', 'program_drafts', 'task_drafts'];

/** The table's model on this connection, made at its first use. */
export function tableOf(sequelize: Sequelize, name: TableName): Table {
  if (sequelize.isDefined(name)) return sequelize.model(name);
  const columns = Object.fromEntries(Object.entries(COLUMNS[name]).map(([column, type]) => [column, { type }]));
  const id = { id: { type: BIGINT, primaryKey: true, autoIncrement: true } };
  const model = sequelize.define(name, WITHOUT_OWN_ID.includes(name) ? columns : { ...id, ...columns });
  if (WITHOUT_OWN_ID.includes(name)) model.removeAttribute('id');
  return model;
}
