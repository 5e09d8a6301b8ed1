ALTER TABLE problems
  MODIFY title VARCHAR(300) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  MODIFY document LONGTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  MODIFY words TEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL COMMENT 'title and statement in lower case, for searching',
  MODIFY card MEDIUMTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NULL COMMENT 'drawing and summary for the Shelf; may be made anew at any time',
  DEFAULT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin
