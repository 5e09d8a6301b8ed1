CREATE TABLE letters (
  token BINARY(32) NOT NULL PRIMARY KEY COMMENT 'SHA-256 of what the link in the letter holds',
  person CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  created_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  KEY by_age (created_at),
  CONSTRAINT letter_person FOREIGN KEY (person) REFERENCES people (id) ON DELETE CASCADE
) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin
