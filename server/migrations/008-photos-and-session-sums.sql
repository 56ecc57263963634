-- Pictures of runs; a run names its own.
CREATE TABLE photos (
  id TEXT PRIMARY KEY,
  version INTEGER NOT NULL CHECK (version > 0),
  photo TEXT NOT NULL CHECK (json_valid(photo)),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;

-- No list is put in order, and no session added up, by reading every run; a full wind is more than any number of turns.
CREATE INDEX runs_most_turns ON runs (car_id, ifnull(turns, 1e9) DESC, id) WHERE deleted_at IS NULL;
CREATE INDEX runs_by_session ON runs (car_id, session, outcome, distance) WHERE deleted_at IS NULL;
