ALTER TABLE problems
  ADD COLUMN kind VARCHAR(8) CHARACTER SET ascii COLLATE ascii_bin NULL COMMENT 'beam, frame or truss, as the card says',
  ADD COLUMN words TEXT NULL COMMENT 'title and statement in lower case, for searching',
  ADD COLUMN card MEDIUMTEXT NULL COMMENT 'drawing and summary for the Shelf; may be made anew at any time',
  ADD COLUMN card_revision INT UNSIGNED NULL COMMENT 'the revision the card was made of',
  ADD KEY kinds_on_the_shelf (deleted_at, kind)
