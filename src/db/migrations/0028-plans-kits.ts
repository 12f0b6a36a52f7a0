import type { Migration } from './migration';

export const plansKits: Migration = {
  name: '0028-plans-kits',
  up: [
    // What the planner proposes for a child, till somebody takes it or throws it away: nothing of it is sent by itself.
    `CREATE TABLE week_plans (
      child_id BIGINT UNSIGNED NOT NULL PRIMARY KEY,
      made_by BIGINT UNSIGNED NOT NULL,
      made_at DATETIME(3) NOT NULL,
      base_version INT UNSIGNED NOT NULL,
      content LONGTEXT NOT NULL CHECK (JSON_VALID(content)),
      CONSTRAINT week_plans_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT week_plans_by FOREIGN KEY (made_by) REFERENCES people (id)
    )`,
    // The cupboard: how many of a thing there are, and in what packs it is bought.
    `CREATE TABLE kit_stock (
      thing VARCHAR(60) CHARACTER SET ascii NOT NULL PRIMARY KEY,
      in_cupboard INT UNSIGNED NOT NULL,
      pack_size INT UNSIGNED NOT NULL DEFAULT 1,
      changed_by BIGINT UNSIGNED NOT NULL,
      changed_at DATETIME(3) NOT NULL,
      CONSTRAINT kit_stock_by FOREIGN KEY (changed_by) REFERENCES people (id)
    )`,
    // A child's bag for one week, by its Monday: what was put in, for which version of the program, and where it is.
    `CREATE TABLE kit_bags (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      child_id BIGINT UNSIGNED NOT NULL,
      week DATE NOT NULL,
      version INT UNSIGNED NOT NULL,
      things JSON NOT NULL,
      packed_by BIGINT UNSIGNED NOT NULL,
      packed_at DATETIME(3) NOT NULL,
      handed_at DATETIME(3) NULL,
      back_at DATETIME(3) NULL,
      UNIQUE KEY kit_bags_week (child_id, week),
      CONSTRAINT kit_bags_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT kit_bags_by FOREIGN KEY (packed_by) REFERENCES people (id)
    )`,
    // A week to begin from again, by a name of one's own: its tasks, days and doses.
    `CREATE TABLE week_templates (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      person_id BIGINT UNSIGNED NOT NULL,
      name VARCHAR(60) NOT NULL,
      content LONGTEXT NOT NULL CHECK (JSON_VALID(content)),
      UNIQUE KEY week_templates_name (person_id, name),
      CONSTRAINT week_templates_person FOREIGN KEY (person_id) REFERENCES people (id) ON DELETE CASCADE
    )`,
  ],
  down: ['DROP TABLE week_templates', 'DROP TABLE kit_bags', 'DROP TABLE kit_stock', 'DROP TABLE week_plans'],
};
