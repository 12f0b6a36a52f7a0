import type { Migration } from './migration';

export const peopleChildrenTasks: Migration = {
  name: '0001-people-children-tasks',
  up: [
    `CREATE TABLE people (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      name VARCHAR(80) NOT NULL,
      email VARCHAR(190) NOT NULL,
      role ENUM('therapist','assistant','supervisor') NOT NULL,
      password_hash VARCHAR(200) NOT NULL,
      created_at DATETIME(3) NOT NULL,
      UNIQUE KEY people_email (email)
    )`,
    `CREATE TABLE sign_ins (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      person_id BIGINT UNSIGNED NOT NULL,
      token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
      device VARCHAR(120) NOT NULL DEFAULT '',
      created_at DATETIME(3) NOT NULL,
      expires_at DATETIME(3) NOT NULL,
      revoked_at DATETIME(3) NULL,
      UNIQUE KEY sign_ins_token (token_hash),
      CONSTRAINT sign_ins_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE,
      CONSTRAINT sign_ins_span CHECK (expires_at > created_at)
    )`,
    `CREATE TABLE workplace (
      id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
      emergency_number VARCHAR(20) NOT NULL,
      time_zone VARCHAR(64) NOT NULL,
      CONSTRAINT workplace_one CHECK (id = 1)
    )`,
    `CREATE TABLE schools (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      name VARCHAR(80) NOT NULL,
      visit_days VARCHAR(40) NOT NULL DEFAULT '',
      UNIQUE KEY schools_name (name)
    )`,
    `CREATE TABLE school_years (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      first_day DATE NOT NULL,
      last_day DATE NOT NULL,
      UNIQUE KEY school_years_first (first_day),
      CONSTRAINT school_years_span CHECK (last_day > first_day)
    )`,
    `CREATE TABLE school_breaks (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      school_year_id BIGINT UNSIGNED NOT NULL,
      name VARCHAR(60) NOT NULL,
      from_day DATE NOT NULL,
      to_day DATE NOT NULL,
      CONSTRAINT school_breaks_year FOREIGN KEY (school_year_id) REFERENCES school_years (id) ON DELETE CASCADE,
      CONSTRAINT school_breaks_span CHECK (to_day >= from_day)
    )`,
    `CREATE TABLE children (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      called_name VARCHAR(40) NOT NULL,
      initial VARCHAR(4) NOT NULL,
      school_id BIGINT UNSIGNED NOT NULL,
      born_on DATE NOT NULL,
      hand ENUM('left','right','unsettled') NOT NULL,
      mouths_things BOOLEAN NOT NULL,
      scissors_allowed BOOLEAN NOT NULL,
      has_printer BOOLEAN NOT NULL,
      minutes_per_day SMALLINT UNSIGNED NOT NULL,
      family_language VARCHAR(8) NOT NULL,
      home_languages JSON NOT NULL,
      allergies JSON NOT NULL,
      textures_avoided JSON NOT NULL,
      materials_at_home JSON NOT NULL,
      helpers VARCHAR(120) NOT NULL DEFAULT '',
      report_way ENUM('link','text','paper','call') NOT NULL,
      time_zone VARCHAR(64) NOT NULL,
      created_at DATETIME(3) NOT NULL,
      KEY children_school (school_id),
      CONSTRAINT children_school FOREIGN KEY (school_id) REFERENCES schools (id),
      CONSTRAINT children_minutes CHECK (minutes_per_day BETWEEN 1 AND 120)
    )`,
    `CREATE TABLE child_access (
      child_id BIGINT UNSIGNED NOT NULL,
      person_id BIGINT UNSIGNED NOT NULL,
      access ENUM('lead','shared','assist') NOT NULL,
      PRIMARY KEY (child_id, person_id),
      KEY child_access_person (person_id, child_id),
      CONSTRAINT child_access_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT child_access_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE
    )`,
    `CREATE TABLE goals (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      child_id BIGINT UNSIGNED NOT NULL,
      skill VARCHAR(40) NOT NULL,
      words VARCHAR(400) NOT NULL,
      baseline VARCHAR(120) NOT NULL,
      criterion VARCHAR(120) NOT NULL,
      most_help ENUM('handOverHand','steadied','shown','pointed','words','alone') NOT NULL,
      review_on DATE NOT NULL,
      KEY goals_child (child_id),
      CONSTRAINT goals_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE
    )`,
    `CREATE TABLE tasks (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      slug VARCHAR(60) NOT NULL,
      UNIQUE KEY tasks_slug (slug)
    )`,
    `CREATE TABLE task_versions (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      task_id BIGINT UNSIGNED NOT NULL,
      number INT UNSIGNED NOT NULL,
      content JSON NOT NULL,
      created_at DATETIME(3) NOT NULL,
      UNIQUE KEY task_versions_number (task_id, number),
      CONSTRAINT task_versions_task FOREIGN KEY (task_id) REFERENCES tasks (id)
    )`,
  ],
  down: [
    'task_versions',
    'tasks',
    'goals',
    'child_access',
    'children',
    'school_breaks',
    'school_years',
    'schools',
    'workplace',
    'sign_ins',
    'people',
  ].map((table) => `DROP TABLE ${table}`),
};
