-- How long a step took, who did it, what was noted at it. Sent once however often it is sent: a tablet that was off the air sends again.
CREATE TABLE bench_note (
  id TEXT PRIMARY KEY,
  piece_id TEXT NOT NULL REFERENCES piece (id),
  unit INTEGER NOT NULL,
  step TEXT NOT NULL,
  json TEXT NOT NULL,
  at TEXT NOT NULL
) STRICT;
CREATE INDEX bench_note_by_piece ON bench_note (piece_id, at);

-- Glue that gets tacky, a press that holds: they run on while nobody looks.
CREATE TABLE timer (
  id TEXT PRIMARY KEY,
  piece_id TEXT NOT NULL REFERENCES piece (id),
  unit INTEGER NOT NULL,
  step TEXT NOT NULL,
  name TEXT NOT NULL,
  started_at TEXT NOT NULL,
  ready_at TEXT NOT NULL,
  until_at TEXT,
  stopped_at TEXT
) STRICT;
CREATE INDEX timer_running ON timer (stopped_at);

-- What was laid on a day by hand.
CREATE TABLE pin (
  task TEXT PRIMARY KEY,
  json TEXT NOT NULL
) STRICT;
