import type { Migration } from './migration';

export const invitations: Migration = {
  name: '0011-invitations',
  up: [
    // One-time links by which a person gets an account. The first one is made by the start of an empty database.
    `CREATE TABLE invitations (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      token_hash CHAR(64) CHARACTER SET ascii NOT NULL,
      role ENUM('therapist','assistant','supervisor') NOT NULL,
      created_at DATETIME(3) NOT NULL,
      expires_at DATETIME(3) NOT NULL,
      used_at DATETIME(3) NULL,
      UNIQUE KEY invitations_token (token_hash)
    )`,
  ],
  down: ['DROP TABLE invitations'],
};
