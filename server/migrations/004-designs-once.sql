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
CREATE INDEX runs_alike ON runs (car_id, design_id, turns, ran_at DESC, id) WHERE deleted_at IS NULL;
CREATE INDEX runs_alike_furthest ON runs (car_id, design_id, turns, distance DESC, outcome) WHERE deleted_at IS NULL;
CREATE INDEX runs_removed ON runs (deleted_at) WHERE deleted_at IS NOT NULL;

-- Runs of a car with one design, wound alike, added up: no list reads every run.
CREATE TABLE run_tallies (
  car_id TEXT NOT NULL REFERENCES cars (id),
  design_id TEXT NOT NULL, -- empty: none
  wind ANY NOT NULL, -- turns, or 'full'
  runs INTEGER NOT NULL,
  stopped INTEGER NOT NULL,
  walls INTEGER NOT NULL,
  sum REAL NOT NULL, -- m, of those that stopped
  squares REAL NOT NULL, -- m²
  PRIMARY KEY (car_id, design_id, wind)
) STRICT, WITHOUT ROWID;

INSERT INTO run_tallies
SELECT car_id, ifnull(design_id, ''), ifnull(turns, 'full'), count(*), CAST(total(outcome = 'stopped') AS INTEGER), CAST(total(outcome = 'hit-wall') AS INTEGER),
  total(iif(outcome = 'stopped', distance, 0)), total(iif(outcome = 'stopped', distance * distance, 0))
FROM runs WHERE deleted_at IS NULL GROUP BY car_id, ifnull(design_id, ''), ifnull(turns, 'full');

CREATE TRIGGER tally_added AFTER INSERT ON runs BEGIN
  INSERT OR IGNORE INTO run_tallies
    SELECT new.car_id, ifnull(new.design_id, ''), ifnull(new.turns, 'full'), 0, 0, 0, 0, 0 WHERE new.deleted_at IS NULL;
  UPDATE run_tallies SET runs = runs + 1,
    stopped = stopped + (new.outcome IS 'stopped'), walls = walls + (new.outcome IS 'hit-wall'),
    sum = sum + iif(new.outcome IS 'stopped', new.distance, 0),
    squares = squares + iif(new.outcome IS 'stopped', new.distance * new.distance, 0)
  WHERE car_id = new.car_id AND design_id = ifnull(new.design_id, '') AND wind = ifnull(new.turns, 'full')
    AND new.deleted_at IS NULL;
END;

CREATE TRIGGER tally_changed AFTER UPDATE ON runs BEGIN
  UPDATE run_tallies SET runs = runs - 1,
    stopped = stopped - (old.outcome IS 'stopped'), walls = walls - (old.outcome IS 'hit-wall'),
    sum = sum - iif(old.outcome IS 'stopped', old.distance, 0),
    squares = squares - iif(old.outcome IS 'stopped', old.distance * old.distance, 0)
  WHERE car_id = old.car_id AND design_id = ifnull(old.design_id, '') AND wind = ifnull(old.turns, 'full')
    AND old.deleted_at IS NULL;
  DELETE FROM run_tallies WHERE car_id = old.car_id AND runs = 0;
  INSERT OR IGNORE INTO run_tallies
    SELECT new.car_id, ifnull(new.design_id, ''), ifnull(new.turns, 'full'), 0, 0, 0, 0, 0 WHERE new.deleted_at IS NULL;
  UPDATE run_tallies SET runs = runs + 1,
    stopped = stopped + (new.outcome IS 'stopped'), walls = walls + (new.outcome IS 'hit-wall'),
    sum = sum + iif(new.outcome IS 'stopped', new.distance, 0),
    squares = squares + iif(new.outcome IS 'stopped', new.distance * new.distance, 0)
  WHERE car_id = new.car_id AND design_id = ifnull(new.design_id, '') AND wind = ifnull(new.turns, 'full')
    AND new.deleted_at IS NULL;
END;
