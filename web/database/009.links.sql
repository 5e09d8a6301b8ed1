CREATE TABLE links (
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  token CHAR(43) CHARACTER SET ascii COLLATE ascii_bin NOT NULL COMMENT 'what the address of the link holds',
  problem CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  gives ENUM('read', 'copy') NOT NULL,
  created_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY by_token (token),
  KEY of_problem (problem),
  CONSTRAINT link_problem FOREIGN KEY (problem) REFERENCES problems (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin
