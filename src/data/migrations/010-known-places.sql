-- Addresses from which somebody came in with the right passcode: whoever comes from there is not kept waiting for what others tried.
CREATE TABLE known_place (
  place TEXT PRIMARY KEY,
  at TEXT NOT NULL
) STRICT;

-- One row that /health writes and reads back.
CREATE TABLE heartbeat (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  mark TEXT NOT NULL
) STRICT;
