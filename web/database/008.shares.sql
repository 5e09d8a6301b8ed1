CREATE TABLE shares (
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  problem CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  person CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  may_write BOOLEAN NOT NULL DEFAULT FALSE,
  link CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NULL COMMENT 'the link it came by; it ends with the link',
  created_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY once (problem, person),
  KEY with_person (person),
  CONSTRAINT share_problem FOREIGN KEY (problem) REFERENCES problems (id) ON DELETE CASCADE,
  CONSTRAINT share_person FOREIGN KEY (person) REFERENCES people (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin
