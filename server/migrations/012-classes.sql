-- Classes; the card of each of their crews, what a crew chose and told of itself, and the devices that joined by a card.
CREATE TABLE classes (
  id TEXT PRIMARY KEY,
  version INTEGER NOT NULL CHECK (version > 0),
  class TEXT NOT NULL CHECK (json_valid(class)),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL,
  deleted_at TEXT
) STRICT;
CREATE TABLE crew_cards (
  crew_id TEXT PRIMARY KEY,
  class_id TEXT NOT NULL,
  code TEXT NOT NULL UNIQUE,
  drawn_at TEXT NOT NULL,
  -- The car that it hands in; null for the one that it worked on last.
  car_id TEXT,
  report TEXT CHECK (report IS NULL OR json_valid(report))
) STRICT;
CREATE INDEX cards_of_class ON crew_cards (class_id);
CREATE TABLE crew_devices (
  token_hash TEXT PRIMARY KEY,
  crew_id TEXT NOT NULL REFERENCES crew_cards (crew_id) ON DELETE CASCADE,
  joined_at TEXT NOT NULL,
  seen_at TEXT NOT NULL
) STRICT;
CREATE INDEX devices_of_crew ON crew_devices (crew_id);
-- In the space of a crew: what was ticked and typed on one of its devices, for the others.
CREATE TABLE crew_ticks (
  key TEXT PRIMARY KEY,
  value TEXT NOT NULL,
  updated_at TEXT NOT NULL
) STRICT;
