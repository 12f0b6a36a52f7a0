import type { Migration } from './migration';

export const apiKeys: Migration = {
  name: '0031-api-keys',
  up: [
    // By which a district's own programs read tables that name nobody. Only the hash is kept; without a row the interface is shut.
    `CREATE TABLE api_keys (
      id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
      name VARCHAR(80) NOT NULL,
      key_hash CHAR(64) CHARACTER SET ascii NOT NULL,
      made_by BIGINT UNSIGNED NOT NULL,
      made_at DATETIME(3) NOT NULL,
      expires_at DATETIME(3) NOT NULL,
      revoked_at DATETIME(3) NULL,
      used_at DATETIME(3) NULL,
      UNIQUE KEY api_keys_hash (key_hash),
      CONSTRAINT api_keys_by FOREIGN KEY (made_by) REFERENCES people (id)
    )`,
  ],
  down: ['DROP TABLE api_keys'],
};
