CREATE TABLE setting (
  key TEXT PRIMARY KEY,
  value TEXT NOT NULL
) STRICT;

CREATE TABLE piece (
  id TEXT PRIMARY KEY,
  revision INTEGER NOT NULL,
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  removed_at TEXT
) STRICT;

-- Every saved state. undo_to and redo_to make undo outlive the page: an undo is a new revision that remembers
-- where the next undo and the redo lead.
CREATE TABLE revision (
  piece_id TEXT NOT NULL REFERENCES piece (id),
  revision INTEGER NOT NULL,
  json TEXT NOT NULL,
  saved_at TEXT NOT NULL,
  undo_to INTEGER,
  redo_to INTEGER,
  PRIMARY KEY (piece_id, revision)
) STRICT;

-- A save that came too late, kept until the user has chosen.
CREATE TABLE stale_save (
  id INTEGER PRIMARY KEY,
  piece_id TEXT NOT NULL REFERENCES piece (id),
  base_revision INTEGER NOT NULL,
  json TEXT NOT NULL,
  saved_at TEXT NOT NULL
) STRICT;

CREATE TABLE tick (
  piece_id TEXT NOT NULL REFERENCES piece (id),
  unit INTEGER NOT NULL,
  step TEXT NOT NULL,
  done_at TEXT NOT NULL,
  PRIMARY KEY (piece_id, unit, step)
) STRICT;

CREATE TABLE log_entry (
  id INTEGER PRIMARY KEY,
  piece_id TEXT NOT NULL REFERENCES piece (id),
  revision INTEGER NOT NULL,
  serial TEXT NOT NULL UNIQUE,
  note TEXT NOT NULL,
  finished_at TEXT NOT NULL
) STRICT;
