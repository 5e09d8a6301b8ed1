CREATE TABLE sessions (
  token BINARY(32) NOT NULL PRIMARY KEY COMMENT 'SHA-256 of what the cookie holds',
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  person CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  browser VARCHAR(200) NOT NULL DEFAULT '',
  created_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  seen_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY of_person (person),
  KEY by_age (seen_at),
  CONSTRAINT session_person FOREIGN KEY (person) REFERENCES people (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin
