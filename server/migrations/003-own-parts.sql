-- Parts of the builder's own, for all cars.
CREATE TABLE own_parts (
  id TEXT PRIMARY KEY,
  version INTEGER NOT NULL CHECK (version > 0),
  part TEXT NOT NULL CHECK (json_valid(part)),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;
