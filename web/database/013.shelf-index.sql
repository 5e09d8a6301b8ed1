ALTER TABLE problems
  DROP KEY taken_off,
  ADD KEY whole_shelf (deleted_at, owner, kind, created_at) COMMENT 'what a Shelf is counted and ordered by, without its documents'
