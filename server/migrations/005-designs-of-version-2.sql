-- Designs in version 1 of their format are told in version 2. What stood there before stays here, as it was.
CREATE TABLE first_version_designs (
  place TEXT NOT NULL, -- the table it stood in
  id TEXT NOT NULL,
  version INTEGER NOT NULL,
  text TEXT NOT NULL,
  PRIMARY KEY (place, id, version)
) STRICT;

INSERT INTO first_version_designs
SELECT 'cars', id, version, design FROM cars WHERE design ->> '$.version' = 1
UNION ALL SELECT 'car_history', car_id, version, design FROM car_history WHERE design ->> '$.version' = 1
UNION ALL SELECT 'car_versions', id, version, record FROM car_versions WHERE record ->> '$.design.version' = 1
UNION ALL SELECT 'designs', id, 1, design FROM designs WHERE design ->> '$.version' = 1;

-- Telling it otherwise is no change of the car: its history does not grow.
DROP TRIGGER keep_replaced_design;
UPDATE cars SET design = ifnull(second_version(design), design) WHERE design ->> '$.version' = 1;
CREATE TRIGGER keep_replaced_design AFTER UPDATE OF design ON cars WHEN old.design <> new.design BEGIN
  INSERT INTO car_history (car_id, version, design, saved_at) VALUES (old.id, old.version, old.design, old.updated_at);
END;

UPDATE car_history SET design = ifnull(second_version(design), design) WHERE design ->> '$.version' = 1;
UPDATE car_versions SET record = json_set(record, '$.design', json(ifnull(second_version(record -> '$.design'), record -> '$.design')))
WHERE record ->> '$.design.version' = 1;

CREATE TEMP TABLE told_otherwise AS
SELECT id AS old_id, second_version(design) AS design FROM designs WHERE design ->> '$.version' = 1;
INSERT OR IGNORE INTO designs (id, design) SELECT sha256(design), design FROM told_otherwise WHERE design IS NOT NULL;
CREATE INDEX temp.told_by_old_id ON told_otherwise (old_id);
UPDATE runs SET design_id = (SELECT sha256(design) FROM told_otherwise WHERE old_id = design_id)
WHERE design_id IN (SELECT old_id FROM told_otherwise WHERE design IS NOT NULL);
DELETE FROM designs WHERE id IN (SELECT old_id FROM told_otherwise WHERE design IS NOT NULL);
DROP TABLE told_otherwise;
