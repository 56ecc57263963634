CREATE TABLE car_versions (
  id TEXT PRIMARY KEY,
  car_id TEXT NOT NULL REFERENCES cars (id),
  version INTEGER NOT NULL CHECK (version > 0),
  record TEXT NOT NULL CHECK (json_valid(record)),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;

CREATE INDEX versions_of_car ON car_versions (car_id) WHERE deleted_at IS NULL;
