CREATE TABLE tries (
  what VARBINARY(120) NOT NULL PRIMARY KEY COMMENT 'what is tried and by whom: sign-in of an address, from a machine',
  count INT UNSIGNED NOT NULL,
  until TIMESTAMP(3) NOT NULL,
  KEY by_age (until)
) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin
