-- Afternoons of runs; a run names the one it was made in.
CREATE TABLE sessions (
  id TEXT PRIMARY KEY,
  version INTEGER NOT NULL CHECK (version > 0),
  session TEXT NOT NULL CHECK (json_valid(session)),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;

ALTER TABLE runs ADD COLUMN session TEXT AS (record ->> '$.session') VIRTUAL;
CREATE INDEX runs_of_session ON runs (car_id, session, ran_at DESC, id) WHERE deleted_at IS NULL;
