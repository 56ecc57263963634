import type { CrewClass } from '../../core/schema/generated/crew-class.ts';
import type { Brief } from '../../core/schema/generated/brief.ts';
import { beginSpace, withBriefOf } from '../classes/begin-space.ts';
import type { Classes } from '../classes/classes.ts';
import type { Store } from '../database.ts';
import { carQueries } from '../queries/cars.ts';
import { classQueries } from '../queries/classes.ts';
import { runQueries } from '../queries/runs.ts';
import { versionQueries } from '../queries/versions.ts';
import { readDemo } from './load-demo.ts';

export const DEMO_CLASS = '5ce44000-0000-4000-8000-0000000000e0';
const crewId = (n: number): string => `5ce44000-0000-4000-8000-0000000000e${n}`;

/** The crews of the demo, each at another stage, and which demo car each works on: tuned, run once or twice, being designed, not begun. */
const CREWS = [
  { name: 'the lamp room', car: 'Limpet', runs: Infinity, edits: 2 },
  { name: 'the tea urn', car: 'Kelp Runner', runs: 3, edits: 2 },
  { name: 'the night watch', car: 'Tern', runs: 0, edits: 1 },
  { name: 'the ticket desk', car: null, runs: 0, edits: 0 },
] as const;

/** A class of the Skerrow ferry hall with four crews. Loaded once: what was changed or removed in the demo stays so. */
export function loadDemoClass(store: Store, classes: Classes): void {
  const { cars, parts, brief, savedAt } = readDemo();
  const content: CrewClass = {
    format: 'nimble-axle/class',
    version: 1,
    name: 'Winter evenings at the hall',
    brief: brief as Brief,
    kit: parts.slice(0, 3).map(({ part }) => ({ format: 'nimble-axle/own-part', version: 1, ...part })),
    startingCar: null,
    closed: [],
    lessons: ['2026-11-24', '2026-12-01'],
    crews: CREWS.map(({ name }, n) => ({ id: crewId(n + 1), name })),
    opened: { cars: false, results: false, forecasts: false },
    message: { text: 'Three like runs before you change anything, please.', at: savedAt(0) },
  };
  if (!classQueries(store.db).write(DEMO_CLASS, 0, content, savedAt(0))) return;
  classes.dealCards(DEMO_CLASS);
  for (const [n, { car: name, runs: most, edits }] of CREWS.entries()) {
    const car = cars.find(({ design }) => design.name === name);
    const crew = classes.crewOf(crewId(n + 1));
    if (!car || !crew) continue;
    const { db } = classes.spaceOf(crew).store;
    db.transaction(() => {
      beginSpace(db, DEMO_CLASS, content, savedAt(n));
      const [carTable, versionTable, runTable] = [carQueries(db), versionQueries(db), runQueries(db)];
      // As it grew: each version was once the car itself.
      const grown = [...car.versions.map(({ record }) => record.design), car.design].slice(0, edits + 1);
      grown.forEach((design, edit) => carTable.write(car.id, edit, withBriefOf(DEMO_CLASS, design), savedAt(n + edit)));
      for (const { id, record } of car.versions.slice(0, edits + 1))
        versionTable.write(id, car.id, 0, { format: 'nimble-axle/car-version', version: 1, ...record }, record.keptAt);
      for (const { id, record } of car.runs.slice(0, most)) {
        const ranWith = car.versions.find((version) => version.id === record.carVersion)?.record.design ?? car.design;
        runTable.write(id, car.id, 0, { format: 'nimble-axle/run-record', version: 1, ...record, design: ranWith }, record.ranAt);
      }
    })();
  }
}
