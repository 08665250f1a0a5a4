-- Who may come in over the network. On the workshop's own machine nobody is asked.
CREATE TABLE member (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL,
  role TEXT NOT NULL CHECK (role IN ('owner', 'hand', 'apprentice')),
  -- argon2id, never the passcode itself
  passcode TEXT NOT NULL,
  created_at TEXT NOT NULL,
  removed_at TEXT
) STRICT;

-- A way in that was opened with a passcode; only a hash of what the browser holds is kept.
CREATE TABLE session (
  token TEXT PRIMARY KEY,
  member_id TEXT NOT NULL REFERENCES member (id),
  opened_at TEXT NOT NULL,
  ends_at TEXT NOT NULL
) STRICT;
