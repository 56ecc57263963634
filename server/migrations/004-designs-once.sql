-- A design is stored once, by its content: a hundred runs of one car share one row.
CREATE TABLE designs (
  id TEXT PRIMARY KEY, -- SHA-256 of the text
  design TEXT NOT NULL CHECK (json_valid(design))
) STRICT;

INSERT OR IGNORE INTO designs (id, design)
SELECT sha256(record -> '$.design'), record -> '$.design' FROM runs WHERE record -> '$.design' IS NOT NULL;

-- What lists are ordered, filtered and counted by is read from the record when it is written.
CREATE TABLE runs_with_shared_design (
  id TEXT PRIMARY KEY,
  car_id TEXT NOT NULL REFERENCES cars (id),
  version INTEGER NOT NULL CHECK (version > 0),
  record TEXT NOT NULL CHECK (json_valid(record)), -- without its design
  design_id TEXT REFERENCES designs (id),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT,
  ran_at TEXT AS (record ->> '$.ranAt') STORED,
  turns ANY AS (record ->> '$.wind.turns') STORED, -- null: fully wound
  outcome TEXT AS (record ->> '$.outcome.kind') STORED,
  distance ANY AS (record ->> '$.outcome.distance') STORED
) STRICT;

INSERT INTO runs_with_shared_design (id, car_id, version, record, design_id, created_at, updated_at, deleted_at)
SELECT id, car_id, version, json_remove(record, '$.design'), sha256(record -> '$.design'), created_at, updated_at, deleted_at FROM runs;

DROP TABLE runs;
ALTER TABLE runs_with_shared_design RENAME TO runs;

CREATE INDEX runs_newest ON runs (car_id, ran_at DESC, id) WHERE deleted_at IS NULL;
CREATE INDEX runs_furthest ON runs (car_id, distance DESC, outcome) WHERE deleted_at IS NULL;
CREATE INDEX runs_alike ON runs (car_id, design_id, turns, ran_at DESC, id, outcome, distance) WHERE deleted_at IS NULL;
CREATE INDEX runs_removed ON runs (deleted_at) WHERE deleted_at IS NOT NULL;
