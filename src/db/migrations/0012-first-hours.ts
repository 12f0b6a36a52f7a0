import type { Migration } from './migration';

export const firstHours: Migration = {
  name: '0012-first-hours',
  up: [
    // The facts of a child that decide, beyond those of the first schema; what is not told yet is empty.
    `ALTER TABLE children
      ADD COLUMN leaning_hand ENUM('left','right') NULL,
      ADD COLUMN precautions JSON NOT NULL DEFAULT '[]',
      ADD COLUMN likes VARCHAR(200) NOT NULL DEFAULT '',
      ADD COLUMN dislikes VARCHAR(200) NOT NULL DEFAULT '',
      ADD COLUMN ends_well VARCHAR(200) NOT NULL DEFAULT '',
      ADD COLUMN themes_not_wanted JSON NOT NULL DEFAULT '[]',
      ADD COLUMN practice_weekdays JSON NOT NULL DEFAULT '[1,2,3,4,5,6,7]',
      ADD COLUMN contacts JSON NOT NULL DEFAULT '[]',
      ADD COLUMN teacher VARCHAR(120) NOT NULL DEFAULT '',
      ADD COLUMN left_on DATE NULL`,
    `CREATE TABLE child_changes (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      child_id BIGINT UNSIGNED NOT NULL,
      changes JSON NOT NULL,
      changed_by BIGINT UNSIGNED NOT NULL,
      changed_at DATETIME(3) NOT NULL,
      KEY child_changes_child (child_id, changed_at),
      CONSTRAINT child_changes_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT child_changes_by FOREIGN KEY (changed_by) REFERENCES people (id)
    )`,
    `CREATE TABLE hand_overs (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      child_id BIGINT UNSIGNED NOT NULL,
      from_person BIGINT UNSIGNED NOT NULL,
      to_person BIGINT UNSIGNED NOT NULL,
      note VARCHAR(2000) NOT NULL,
      handed_by BIGINT UNSIGNED NOT NULL,
      handed_at DATETIME(3) NOT NULL,
      KEY hand_overs_child (child_id),
      CONSTRAINT hand_overs_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT hand_overs_from FOREIGN KEY (from_person) REFERENCES people (id),
      CONSTRAINT hand_overs_to FOREIGN KEY (to_person) REFERENCES people (id),
      CONSTRAINT hand_overs_by FOREIGN KEY (handed_by) REFERENCES people (id)
    )`,
    // A goal is versions of a text with measurable parts. Goals of before said their baseline and criterion in words.
    `CREATE TABLE goal_versions (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      goal_id BIGINT UNSIGNED NOT NULL,
      number INT UNSIGNED NOT NULL,
      content JSON NOT NULL,
      why VARCHAR(300) NOT NULL DEFAULT '',
      written_by BIGINT UNSIGNED NULL,
      written_at DATETIME(3) NOT NULL,
      UNIQUE KEY goal_versions_number (goal_id, number),
      CONSTRAINT goal_versions_goal FOREIGN KEY (goal_id) REFERENCES goals (id) ON DELETE CASCADE,
      CONSTRAINT goal_versions_by FOREIGN KEY (written_by) REFERENCES people (id)
    )`,
    `INSERT INTO goal_versions (goal_id, number, content, written_at)
     SELECT g.id, 1, JSON_OBJECT('skill', g.skill, 'statement', g.words,
       'measure', JSON_OBJECT('kind', 'words', 'baseline', g.baseline, 'criterion', g.criterion),
       'mostHelp', g.most_help, 'sessions', 1, 'reviewOn', DATE_FORMAT(g.review_on, '%Y-%m-%d'), 'taskIds', JSON_ARRAY()), c.created_at
     FROM goals g JOIN children c ON c.id = g.child_id`,
    `ALTER TABLE goals DROP COLUMN skill, DROP COLUMN words, DROP COLUMN baseline, DROP COLUMN criterion, DROP COLUMN most_help,
      DROP COLUMN review_on, ADD COLUMN current_version INT UNSIGNED NOT NULL DEFAULT 1, ADD COLUMN closed_on DATE NULL,
      ADD COLUMN closed_why VARCHAR(300) NOT NULL DEFAULT ''`,
    `CREATE TABLE reporting_periods (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      school_year_id BIGINT UNSIGNED NOT NULL,
      name VARCHAR(60) NOT NULL,
      from_day DATE NOT NULL,
      to_day DATE NOT NULL,
      CONSTRAINT reporting_periods_year FOREIGN KEY (school_year_id) REFERENCES school_years (id) ON DELETE CASCADE,
      CONSTRAINT reporting_periods_span CHECK (to_day >= from_day)
    )`,
    `ALTER TABLE people ADD COLUMN closed_at DATETIME(3) NULL`,
    // Where a session was opened from, as the proxy that is trusted says it.
    `ALTER TABLE sign_ins ADD COLUMN address VARCHAR(45) NOT NULL DEFAULT ''`,
    // Tries are counted where every web process sees them.
    `CREATE TABLE sign_in_tries (
      try_key VARCHAR(200) CHARACTER SET ascii NOT NULL PRIMARY KEY,
      tries INT UNSIGNED NOT NULL,
      ends_at DATETIME(3) NOT NULL
    )`,
    `CREATE TABLE password_links (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      person_id BIGINT UNSIGNED NOT NULL,
      token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
      created_at DATETIME(3) NOT NULL,
      expires_at DATETIME(3) NOT NULL,
      used_at DATETIME(3) NULL,
      UNIQUE KEY password_links_token (token_hash),
      CONSTRAINT password_links_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE
    )`,
    // How a person's lists call their columns, matched by hand once.
    `CREATE TABLE roster_columns (
      person_id BIGINT UNSIGNED NOT NULL,
      heading VARCHAR(120) NOT NULL,
      fact VARCHAR(40) NOT NULL,
      PRIMARY KEY (person_id, heading),
      CONSTRAINT roster_columns_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE
    )`,
    // What a family told of its house, till the therapist has taken it over.
    `CREATE TABLE home_answers (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      child_id BIGINT UNSIGNED NOT NULL,
      link_id BIGINT UNSIGNED NOT NULL,
      answers JSON NOT NULL,
      told_at DATETIME(3) NOT NULL,
      settled_by BIGINT UNSIGNED NULL,
      settled_at DATETIME(3) NULL,
      KEY home_answers_child (child_id, settled_at),
      CONSTRAINT home_answers_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT home_answers_link FOREIGN KEY (link_id) REFERENCES family_links (id) ON DELETE CASCADE,
      CONSTRAINT home_answers_by FOREIGN KEY (settled_by) REFERENCES people (id)
    )`,
    `ALTER TABLE workplace ADD COLUMN languages JSON NOT NULL DEFAULT '["en","es"]'`,
    "ALTER TABLE messages MODIFY kind ENUM('program','newStep','note','takenBack','several','paused','ended','home','goesOn') NOT NULL",
    "ALTER TABLE message_parts MODIFY text_kind ENUM('program','newStep','word','takenBack','paused','ended','goesOn') NOT NULL",
  ],
  down: [
    "DELETE FROM decisions WHERE kind IN ('unsafe','handSettled','homeTold')",
    "UPDATE message_parts SET text_kind = 'program' WHERE text_kind = 'goesOn'",
    "ALTER TABLE message_parts MODIFY text_kind ENUM('program','newStep','word','takenBack','paused','ended') NOT NULL",
    "UPDATE messages SET kind = 'note' WHERE kind IN ('home','goesOn')",
    "ALTER TABLE messages MODIFY kind ENUM('program','newStep','note','takenBack','several','paused','ended') NOT NULL",
    'ALTER TABLE workplace DROP COLUMN languages',
    'DROP TABLE home_answers',
    'DROP TABLE roster_columns',
    'DROP TABLE password_links',
    'DROP TABLE sign_in_tries',
    'ALTER TABLE sign_ins DROP COLUMN address',
    'ALTER TABLE people DROP COLUMN closed_at',
    'DROP TABLE reporting_periods',
    `ALTER TABLE goals DROP COLUMN closed_why, DROP COLUMN closed_on, ADD COLUMN skill VARCHAR(40) NOT NULL DEFAULT '',
      ADD COLUMN words VARCHAR(400) NOT NULL DEFAULT '', ADD COLUMN baseline VARCHAR(120) NOT NULL DEFAULT '',
      ADD COLUMN criterion VARCHAR(120) NOT NULL DEFAULT '',
      ADD COLUMN most_help ENUM('handOverHand','steadied','shown','pointed','words','alone') NOT NULL DEFAULT 'alone',
      ADD COLUMN review_on DATE NOT NULL DEFAULT '2000-01-01'`,
    `UPDATE goals g JOIN goal_versions v ON v.goal_id = g.id AND v.number = g.current_version
     SET g.skill = JSON_VALUE(v.content, '$.skill'), g.words = JSON_VALUE(v.content, '$.statement'),
       g.baseline = COALESCE(JSON_VALUE(v.content, '$.measure.baseline'), JSON_VALUE(v.content, '$.measure.from')),
       g.criterion = COALESCE(JSON_VALUE(v.content, '$.measure.criterion'), JSON_VALUE(v.content, '$.measure.to')),
       g.most_help = JSON_VALUE(v.content, '$.mostHelp'), g.review_on = JSON_VALUE(v.content, '$.reviewOn')`,
    'ALTER TABLE goals DROP COLUMN current_version',
    'DROP TABLE goal_versions',
    'DROP TABLE hand_overs',
    'DROP TABLE child_changes',
    `ALTER TABLE children DROP COLUMN left_on, DROP COLUMN teacher, DROP COLUMN contacts, DROP COLUMN practice_weekdays,
      DROP COLUMN themes_not_wanted, DROP COLUMN ends_well, DROP COLUMN dislikes, DROP COLUMN likes, DROP COLUMN precautions,
      DROP COLUMN leaning_hand`,
  ],
};
