-- What can be bought, as it is sold; what of it is there; and what became of it.
CREATE TABLE ware (
  id TEXT PRIMARY KEY,
  json TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  removed_at TEXT
) STRICT;

CREATE TABLE stock (
  id TEXT PRIMARY KEY,
  ware_id TEXT NOT NULL REFERENCES ware (id),
  json TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  removed_at TEXT
) STRICT;
CREATE INDEX stock_by_ware ON stock (ware_id);

-- Why something came into the store or left it.
CREATE TABLE stock_move (
  id INTEGER PRIMARY KEY,
  stock_id TEXT NOT NULL REFERENCES stock (id),
  at TEXT NOT NULL,
  why TEXT NOT NULL
) STRICT;

-- Pieces of one customer or room: cut, bought and priced together. A piece is in one job at most.
CREATE TABLE job (
  id TEXT PRIMARY KEY,
  revision INTEGER NOT NULL,
  json TEXT NOT NULL,
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  removed_at TEXT
) STRICT;

CREATE TABLE job_piece (
  piece_id TEXT PRIMARY KEY REFERENCES piece (id),
  job_id TEXT NOT NULL REFERENCES job (id)
) STRICT;
CREATE INDEX job_piece_by_job ON job_piece (job_id);

-- Lays that were kept, for a job, several, or one piece; each knows the revisions of the pieces it was made for.
CREATE TABLE lay (
  id TEXT PRIMARY KEY,
  scope TEXT NOT NULL,
  group_key TEXT NOT NULL,
  json TEXT NOT NULL,
  made_at TEXT NOT NULL,
  chosen INTEGER NOT NULL DEFAULT 0,
  -- when it was cut: what it took has left the store then
  cut_at TEXT,
  removed_at TEXT
) STRICT;
CREATE INDEX lay_by_scope ON lay (scope);

-- Orders to a supplier, with what came of them.
CREATE TABLE purchase (
  id TEXT PRIMARY KEY,
  scope TEXT NOT NULL,
  supplier TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('sending', 'ordered', 'refused', 'arrived')),
  json TEXT NOT NULL,
  ordered_at TEXT NOT NULL,
  updated_at TEXT NOT NULL
) STRICT;
CREATE INDEX purchase_by_scope ON purchase (scope);
