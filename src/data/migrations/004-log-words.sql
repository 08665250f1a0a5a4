-- What a job in the log is found by, in small letters: serial, note, and the piece's name, cloth and notes. A search reads
-- these words and no documents.
ALTER TABLE log_entry ADD COLUMN words TEXT NOT NULL DEFAULT '';
UPDATE log_entry SET words = lower(serial || ' ' || note || ' ' || coalesce((
  SELECT CASE WHEN json_valid(json) THEN
    coalesce(json_extract(json, '$.name'), '') || ' ' || coalesce(json_extract(json, '$.cloth.name'), '') || ' ' ||
    coalesce(json_extract(json, '$.notes'), '') ELSE '' END
  FROM revision WHERE revision.piece_id = log_entry.piece_id AND revision.revision = log_entry.revision), ''));
