-- Briefs, each with its floors, for all cars.
CREATE TABLE briefs (
  id TEXT PRIMARY KEY,
  version INTEGER NOT NULL CHECK (version > 0),
  brief TEXT NOT NULL CHECK (json_valid(brief)),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;
