-- Contests, and their results one by one: a result names its meet, and is never changed.
CREATE TABLE meets (
  id TEXT PRIMARY KEY,
  version INTEGER NOT NULL CHECK (version > 0),
  meet TEXT NOT NULL CHECK (json_valid(meet)),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;
CREATE TABLE meet_results (
  id TEXT PRIMARY KEY,
  version INTEGER NOT NULL CHECK (version > 0),
  result TEXT NOT NULL CHECK (json_valid(result)),
  meet TEXT AS (result ->> '$.meet') VIRTUAL,
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;
CREATE INDEX results_of_meet ON meet_results (meet, created_at, id) WHERE deleted_at IS NULL;
