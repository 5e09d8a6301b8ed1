ALTER TABLE problems
  ADD COLUMN owner CHAR(36) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT '00000000-0000-4000-8000-000000000002',
  ADD KEY on_a_shelf (owner, deleted_at, created_at),
  ADD KEY taken_off (deleted_at),
  DROP KEY on_the_shelf,
  DROP KEY kinds_on_the_shelf,
  ADD CONSTRAINT problem_owner FOREIGN KEY (owner) REFERENCES people (id) ON DELETE CASCADE
