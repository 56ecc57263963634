-- Entries of a meet are rows of their own: officials who enter cars at once do not write over each other.
CREATE TABLE meet_entries (
  number INTEGER PRIMARY KEY AUTOINCREMENT, -- in the order they came
  id TEXT NOT NULL UNIQUE,
  version INTEGER NOT NULL CHECK (version > 0),
  entry TEXT NOT NULL CHECK (json_valid(entry)),
  meet TEXT AS (entry ->> '$.meet') VIRTUAL,
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;
CREATE INDEX entries_of_meet ON meet_entries (meet, number) WHERE deleted_at IS NULL;

INSERT OR IGNORE INTO meet_entries (id, version, entry, created_at, updated_at, deleted_at)
SELECT value ->> '$.id', 1, json_object('format', 'nimble-axle/meet-entry', 'version', 1, 'meet', meets.id, 'entry', json(value)),
  meets.created_at, meets.updated_at, NULL
FROM meets, json_each(meets.meet, '$.entries') ORDER BY meets.created_at, meets.id, key;
UPDATE meets SET meet = json_set(meet, '$.entries', json_array());

-- Results count in the order in which they came here, by no clock.
CREATE TABLE numbered_results (
  number INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE,
  version INTEGER NOT NULL CHECK (version > 0),
  result TEXT NOT NULL CHECK (json_valid(result)),
  meet TEXT AS (result ->> '$.meet') VIRTUAL,
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;
INSERT INTO numbered_results (id, version, result, created_at, updated_at, deleted_at)
SELECT id, version, result, created_at, updated_at, deleted_at FROM meet_results ORDER BY created_at, rowid;
DROP TABLE meet_results;
ALTER TABLE numbered_results RENAME TO meet_results;
CREATE INDEX results_of_meet ON meet_results (meet, number) WHERE deleted_at IS NULL;

-- What runs, results and entries were before they were changed, as car_history is for cars.
CREATE TABLE replaced_content (
  what TEXT NOT NULL CHECK (what IN ('run', 'result', 'entry')),
  id TEXT NOT NULL,
  version INTEGER NOT NULL,
  content TEXT NOT NULL CHECK (json_valid(content)),
  saved_at TEXT NOT NULL,
  PRIMARY KEY (what, id, version)
) STRICT, WITHOUT ROWID;

CREATE TRIGGER keep_replaced_run AFTER UPDATE OF record, design_id ON runs
WHEN old.record <> new.record OR old.design_id IS NOT new.design_id BEGIN
  INSERT OR IGNORE INTO replaced_content (what, id, version, content, saved_at)
  SELECT 'run', old.id, old.version, json_set(old.record, '$.design', json(ifnull((SELECT design FROM designs WHERE id = old.design_id), 'null'))), old.updated_at;
END;
CREATE TRIGGER keep_replaced_result AFTER UPDATE OF result ON meet_results WHEN old.result <> new.result BEGIN
  INSERT OR IGNORE INTO replaced_content VALUES ('result', old.id, old.version, old.result, old.updated_at);
END;
CREATE TRIGGER keep_replaced_entry AFTER UPDATE OF entry ON meet_entries WHEN old.entry <> new.entry BEGIN
  INSERT OR IGNORE INTO replaced_content VALUES ('entry', old.id, old.version, old.entry, old.updated_at);
END;

-- Phones may join again after the program was started again, where its owner wishes so: one row, or none.
CREATE TABLE sharing (
  one INTEGER PRIMARY KEY CHECK (one = 1),
  state TEXT NOT NULL CHECK (json_valid(state))
) STRICT;
