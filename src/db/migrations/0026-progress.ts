import type { Migration } from './migration';

export const progress: Migration = {
  name: '0026-progress',
  up: [
    // What a therapist adds in her own words to the paragraph that is built from figures, by goal and reporting period.
    `CREATE TABLE goal_words (
      goal_id BIGINT UNSIGNED NOT NULL,
      period_from DATE NOT NULL,
      words VARCHAR(2000) NOT NULL,
      written_by BIGINT UNSIGNED NOT NULL,
      written_at DATETIME(3) NOT NULL,
      PRIMARY KEY (goal_id, period_from),
      CONSTRAINT goal_words_goal FOREIGN KEY (goal_id) REFERENCES goals (id) ON DELETE CASCADE,
      CONSTRAINT goal_words_by FOREIGN KEY (written_by) REFERENCES people (id)
    )`,
    // A period that was closed: the log as it was then, and what was made of it. Nothing of it changes any more.
    `CREATE TABLE closed_goals (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      child_id BIGINT UNSIGNED NOT NULL,
      goal_id BIGINT UNSIGNED NOT NULL,
      period_name VARCHAR(60) NOT NULL,
      period_from DATE NOT NULL,
      period_to DATE NOT NULL,
      content LONGTEXT NOT NULL CHECK (JSON_VALID(content)),
      words VARCHAR(2000) NOT NULL,
      closed_by BIGINT UNSIGNED NOT NULL,
      closed_at DATETIME(3) NOT NULL,
      UNIQUE KEY closed_goals_period (goal_id, period_from),
      KEY closed_goals_child (child_id, period_from),
      CONSTRAINT closed_goals_child FOREIGN KEY (child_id) REFERENCES children (id) ON DELETE CASCADE,
      CONSTRAINT closed_goals_goal FOREIGN KEY (goal_id) REFERENCES goals (id) ON DELETE CASCADE,
      CONSTRAINT closed_goals_by FOREIGN KEY (closed_by) REFERENCES people (id)
    )`,
  ],
  down: ['DROP TABLE closed_goals', 'DROP TABLE goal_words'],
};
