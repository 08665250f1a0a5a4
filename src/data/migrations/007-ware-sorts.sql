-- What a thing is of its kind was read out of its name until now: put down once, so that nothing has to read names any more.
UPDATE ware SET json = json_set(json, '$.of', CASE json_extract(json, '$.kind')
  WHEN 'fastener' THEN CASE
    WHEN lower(json_extract(json, '$.name')) LIKE '%clip nail%' THEN 'clip-nail'
    WHEN lower(json_extract(json, '$.name')) LIKE '%gimp pin%' THEN 'gimp-pin'
    WHEN lower(json_extract(json, '$.name')) LIKE '%wood screw%' THEN 'wood-screw'
    WHEN lower(json_extract(json, '$.name')) LIKE '%nail%' AND lower(json_extract(json, '$.name')) NOT LIKE '%tack%' THEN 'nail'
    WHEN lower(json_extract(json, '$.name')) LIKE '%rivet%' THEN 'rivet'
    WHEN lower(json_extract(json, '$.name')) LIKE '%tack%' AND lower(json_extract(json, '$.name')) NOT LIKE '%nail%' THEN 'tack'
    WHEN lower(json_extract(json, '$.name')) LIKE '%screw%' THEN 'screw'
    WHEN lower(json_extract(json, '$.name')) LIKE '%cleat%' THEN 'cleat'
    WHEN lower(json_extract(json, '$.name')) LIKE '%stand-off%' THEN 'stand-off'
    WHEN lower(json_extract(json, '$.name')) LIKE '%clip%' THEN 'clip'
    ELSE '' END
  WHEN 'card' THEN CASE
    WHEN lower(json_extract(json, '$.name')) LIKE 'tack%' THEN 'tack-strip'
    WHEN lower(json_extract(json, '$.name')) LIKE 'lip%' THEN 'lip'
    WHEN lower(json_extract(json, '$.name')) LIKE 'edge%' THEN 'edge-tape'
    ELSE '' END
  WHEN 'spring' THEN CASE
    WHEN lower(json_extract(json, '$.name')) LIKE '%clip%' THEN 'spring-clip'
    WHEN lower(json_extract(json, '$.name')) LIKE 'zigzag%' THEN 'zigzag'
    ELSE '' END
  WHEN 'button' THEN CASE
    WHEN lower(json_extract(json, '$.name')) LIKE 'button%' THEN 'button'
    WHEN lower(json_extract(json, '$.name')) LIKE 'knob%' THEN 'knob'
    ELSE '' END
  WHEN 'batten' THEN CASE
    WHEN lower(json_extract(json, '$.name')) LIKE 'batten%' THEN 'batten'
    WHEN lower(json_extract(json, '$.name')) LIKE 'hard-edge%' THEN 'edge-strip'
    WHEN lower(json_extract(json, '$.name')) LIKE 'plank%' THEN 'plank'
    WHEN lower(json_extract(json, '$.name')) LIKE 'trim%' THEN 'trim'
    ELSE '' END
  WHEN 'webbing' THEN CASE
    WHEN lower(json_extract(json, '$.name')) LIKE 'elastic%' THEN 'elastic'
    WHEN lower(json_extract(json, '$.name')) LIKE 'jute%' THEN 'jute'
    ELSE '' END
  WHEN 'cord' THEN CASE
    WHEN lower(json_extract(json, '$.name')) LIKE '%welt%' THEN 'welt'
    WHEN lower(json_extract(json, '$.name')) LIKE '%draw%' THEN 'draw'
    ELSE '' END
  ELSE '' END)
WHERE json_extract(json, '$.of') = '' AND json_extract(json, '$.kind') IN ('fastener', 'card', 'spring', 'button', 'batten', 'webbing', 'cord');
