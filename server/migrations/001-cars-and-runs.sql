CREATE TABLE cars (
  id TEXT PRIMARY KEY,
  version INTEGER NOT NULL CHECK (version > 0),
  design TEXT NOT NULL CHECK (json_valid(design)),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;

-- Every design that was ever saved and then replaced.
CREATE TABLE car_history (
  car_id TEXT NOT NULL REFERENCES cars (id),
  version INTEGER NOT NULL,
  design TEXT NOT NULL CHECK (json_valid(design)),
  saved_at TEXT NOT NULL,
  PRIMARY KEY (car_id, version)
) STRICT;

CREATE TRIGGER keep_replaced_design AFTER UPDATE OF design ON cars WHEN old.design <> new.design BEGIN
  INSERT INTO car_history (car_id, version, design, saved_at) VALUES (old.id, old.version, old.design, old.updated_at);
END;

CREATE TABLE runs (
  id TEXT PRIMARY KEY,
  car_id TEXT NOT NULL REFERENCES cars (id),
  version INTEGER NOT NULL CHECK (version > 0),
  record TEXT NOT NULL CHECK (json_valid(record)),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;

CREATE INDEX runs_of_car ON runs (car_id) WHERE deleted_at IS NULL;
