-- Each delivery that was booked in, by the id that its page gave it: sent again it is the same one.
CREATE TABLE IF NOT EXISTS delivery (
  id TEXT PRIMARY KEY,
  purchase_id TEXT NOT NULL REFERENCES purchase (id),
  at TEXT NOT NULL
) STRICT;
