-- An order whose answer nobody could read is neither taken nor refused. The list of states stands in the table: it is made anew,
-- and what refers to it with it.
CREATE TABLE delivery_before AS SELECT * FROM delivery;
DROP TABLE delivery;
CREATE TABLE purchase_now (
  id TEXT PRIMARY KEY,
  scope TEXT NOT NULL,
  supplier TEXT NOT NULL,
  state TEXT NOT NULL CHECK (state IN ('sending', 'unknown', 'ordered', 'refused', 'arrived')),
  json TEXT NOT NULL,
  ordered_at TEXT NOT NULL,
  updated_at TEXT NOT NULL
) STRICT;
INSERT INTO purchase_now (rowid, id, scope, supplier, state, json, ordered_at, updated_at)
  SELECT rowid, id, scope, supplier, state, json, ordered_at, updated_at FROM purchase;
DROP TABLE purchase;
ALTER TABLE purchase_now RENAME TO purchase;
CREATE INDEX purchase_by_scope ON purchase (scope);
CREATE TABLE delivery (
  id TEXT PRIMARY KEY,
  purchase_id TEXT NOT NULL REFERENCES purchase (id),
  at TEXT NOT NULL
) STRICT;
INSERT INTO delivery SELECT * FROM delivery_before;
DROP TABLE delivery_before;
