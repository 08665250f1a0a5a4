-- A save carries an id: one whose answer was lost is answered again instead of being taken for somebody else's.
CREATE TABLE save (
  id TEXT PRIMARY KEY,
  piece_id TEXT NOT NULL REFERENCES piece (id),
  -- the revision it made, or null where it came too late and was put aside
  revision INTEGER,
  stale_id INTEGER,
  saved_at TEXT NOT NULL
) STRICT;

-- What a row of the floor shows, as it was worked out for a revision under the house's rules of that day.
CREATE TABLE look (
  piece_id TEXT PRIMARY KEY REFERENCES piece (id),
  revision INTEGER NOT NULL,
  house TEXT NOT NULL,
  json TEXT NOT NULL,
  -- how wide its section is, mm: all rows are drawn at one scale
  span REAL NOT NULL
) STRICT;

CREATE INDEX log_entry_by_day ON log_entry (finished_at);
CREATE INDEX log_entry_by_piece ON log_entry (piece_id);
