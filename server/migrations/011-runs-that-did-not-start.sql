-- A run that came less than 5 cm did not start (core/schema/stored.ts, START): it is counted by itself, and enters no mean.
ALTER TABLE run_tallies ADD COLUMN no_starts INTEGER NOT NULL DEFAULT 0;

DROP TRIGGER tally_added;
DROP TRIGGER tally_changed;

DELETE FROM run_tallies;
INSERT INTO run_tallies (car_id, design_id, wind, runs, stopped, walls, sum, squares, no_starts)
SELECT car_id, ifnull(design_id, ''), ifnull(turns, 'full'), count(*),
  CAST(total(outcome = 'stopped' AND distance >= 0.05) AS INTEGER), CAST(total(outcome = 'hit-wall') AS INTEGER),
  total(iif(outcome = 'stopped' AND distance >= 0.05, distance, 0)), total(iif(outcome = 'stopped' AND distance >= 0.05, distance * distance, 0)),
  CAST(total(outcome = 'stopped' AND distance < 0.05) AS INTEGER)
FROM runs WHERE deleted_at IS NULL GROUP BY car_id, ifnull(design_id, ''), ifnull(turns, 'full');

CREATE TRIGGER tally_added AFTER INSERT ON runs BEGIN
  INSERT OR IGNORE INTO run_tallies (car_id, design_id, wind, runs, stopped, walls, sum, squares)
    SELECT new.car_id, ifnull(new.design_id, ''), ifnull(new.turns, 'full'), 0, 0, 0, 0, 0 WHERE new.deleted_at IS NULL;
  UPDATE run_tallies SET runs = runs + 1,
    stopped = stopped + iif(new.outcome IS 'stopped' AND new.distance >= 0.05, 1, 0), walls = walls + (new.outcome IS 'hit-wall'),
    no_starts = no_starts + iif(new.outcome IS 'stopped' AND new.distance < 0.05, 1, 0),
    sum = sum + iif(new.outcome IS 'stopped' AND new.distance >= 0.05, new.distance, 0),
    squares = squares + iif(new.outcome IS 'stopped' AND new.distance >= 0.05, new.distance * new.distance, 0)
  WHERE car_id = new.car_id AND design_id = ifnull(new.design_id, '') AND wind = ifnull(new.turns, 'full')
    AND new.deleted_at IS NULL;
END;

CREATE TRIGGER tally_changed AFTER UPDATE ON runs BEGIN
  UPDATE run_tallies SET runs = runs - 1,
    stopped = stopped - iif(old.outcome IS 'stopped' AND old.distance >= 0.05, 1, 0), walls = walls - (old.outcome IS 'hit-wall'),
    no_starts = no_starts - iif(old.outcome IS 'stopped' AND old.distance < 0.05, 1, 0),
    sum = sum - iif(old.outcome IS 'stopped' AND old.distance >= 0.05, old.distance, 0),
    squares = squares - iif(old.outcome IS 'stopped' AND old.distance >= 0.05, old.distance * old.distance, 0)
  WHERE car_id = old.car_id AND design_id = ifnull(old.design_id, '') AND wind = ifnull(old.turns, 'full')
    AND old.deleted_at IS NULL;
  DELETE FROM run_tallies WHERE car_id = old.car_id AND runs = 0;
  INSERT OR IGNORE INTO run_tallies (car_id, design_id, wind, runs, stopped, walls, sum, squares)
    SELECT new.car_id, ifnull(new.design_id, ''), ifnull(new.turns, 'full'), 0, 0, 0, 0, 0 WHERE new.deleted_at IS NULL;
  UPDATE run_tallies SET runs = runs + 1,
    stopped = stopped + iif(new.outcome IS 'stopped' AND new.distance >= 0.05, 1, 0), walls = walls + (new.outcome IS 'hit-wall'),
    no_starts = no_starts + iif(new.outcome IS 'stopped' AND new.distance < 0.05, 1, 0),
    sum = sum + iif(new.outcome IS 'stopped' AND new.distance >= 0.05, new.distance, 0),
    squares = squares + iif(new.outcome IS 'stopped' AND new.distance >= 0.05, new.distance * new.distance, 0)
  WHERE car_id = new.car_id AND design_id = ifnull(new.design_id, '') AND wind = ifnull(new.turns, 'full')
    AND new.deleted_at IS NULL;
END;
