CREATE TABLE people (
  id CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL PRIMARY KEY,
  email VARCHAR(254) NULL COMMENT 'in lower case; none for a shelf without an account',
  name VARCHAR(120) NOT NULL DEFAULT '',
  password VARCHAR(255) CHARACTER SET ascii COLLATE ascii_bin NULL COMMENT 'scrypt with its parameters and salt',
  subject VARCHAR(300) NULL COMMENT 'issuer and subject of an OpenID Connect sign-in',
  role ENUM('reader', 'author', 'instructor', 'administrator') NOT NULL DEFAULT 'author',
  created_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  seen_at TIMESTAMP(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  UNIQUE KEY by_email (email),
  UNIQUE KEY by_subject (subject)
) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin
