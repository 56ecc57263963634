import { Router, type Response } from 'express';
import type { ClassForCrew, CarOfCrew, ForecastOfCrew } from '../../core/schema/class-for-crew.ts';
import { readCrewReport } from '../../core/files/read.ts';
import { isReadable, type StoredCar, type StoredClass } from '../../core/schema/stored.ts';
import type { JoinedSpace } from '../../core/schema/sharing.ts';
import type { Classes } from '../classes/classes.ts';
import type { Presence } from '../classes/presence.ts';
import { faulty, notFound, sendProblem } from '../problem.ts';
import { carQueries } from '../queries/cars.ts';
import { crewTickQueries } from '../queries/crew-ticks.ts';
import { refuse } from '../rights.ts';
import { UUID } from './resource-routes.ts';

/** Names under which a device stores ticks, and characters of one. */
const TICK_KEY = /^[\w-]{1,80}$/;
const MOST_OF_TICK = 20_000;

interface CrewClassParts {
  readonly classes: Classes;
  readonly presence: Presence;
  /** Told of a crew whose standing changed. */
  readonly onChange: (crewId: string) => void;
}

/** The class of a crew as the crew sees it: what the leader says, gives and opens; and what the crew tells of its car. */
export function crewClassRoutes({ classes, presence, onChange }: CrewClassParts): Router {
  const router = Router();
  const crewHere = (response: Response) => {
    const { crewId } = response.locals.joined as JoinedSpace;
    return classes.crewOf(crewId)!;
  };
  const mayWrite = (response: Response): boolean => {
    if ((response.locals.joined as JoinedSpace).role !== 'onlooker') return true;
    refuse(response);
    return false;
  };
  router.get('/', (_request, response) => {
    const { stored, crew } = crewHere(response);
    const { name, brief, closed, lessons, crews, opened, handedInAt, meet, message, lesson } = stored.class;
    response.json({
      classId: stored.id,
      name,
      crew: crew.name,
      crews: crews.length,
      brief: brief.name,
      closed,
      lessons,
      opened,
      handedInAt: handedInAt ?? null,
      meet: opened.results ? (meet ?? null) : null,
      message: message ?? null,
      lesson: lesson ?? null,
      leader: presence.leaderOf(crew.id),
      carId: classes.carOf(crew.id)?.id ?? null,
    } satisfies ClassForCrew);
  });
  // The leader may report too, for a crew that is away: it is worked out, and changes nothing of the crew's.
  router.put('/report', (request, response) => {
    const { crew } = crewHere(response);
    const read = readCrewReport(request.body);
    if (read.kind === 'faulty') return faulty(response, read.faults);
    classes.report(crew.id, read.value);
    onChange(crew.id);
    response.status(204).end();
  });
  router.put('/car', (request, response) => {
    if (!mayWrite(response)) return;
    const found = crewHere(response);
    const { carId } = (request.body ?? {}) as { carId?: unknown };
    if (typeof carId !== 'string' || !UUID.test(carId)) return faulty(response, [{ path: 'carId', code: 'expected', what: 'a UUID' }]);
    if (found.stored.class.handedInAt !== undefined) return refuse(response);
    if (!carQueries(classes.spaceOf(found).store.db).has(carId)) return notFound(response, 'car');
    classes.choose(found.crew.id, carId);
    onChange(found.crew.id);
    response.status(204).end();
  });
  router.get('/ticks', (_request, response) => void response.json(crewTickQueries(classes.spaceOf(crewHere(response)).store.db).all()));
  router.put('/ticks/:key', (request, response) => {
    if (!mayWrite(response)) return;
    const { key } = request.params;
    const { value } = (request.body ?? {}) as { value?: unknown };
    const ticks = crewTickQueries(classes.spaceOf(crewHere(response)).store.db);
    if (!TICK_KEY.test(key)) return notFound(response, 'key');
    if (value !== null && (typeof value !== 'string' || value.length > MOST_OF_TICK))
      return faulty(response, [{ path: 'value', code: 'expected', what: `null, or a text of at most ${MOST_OF_TICK} characters` }]);
    if (value === null) ticks.remove(key);
    else if (!ticks.put(key, value, new Date().toISOString()))
      return sendProblem(response, { status: 507, title: 'This crew has stored too many ticks' });
    response.status(204).end();
  });
  /** The other crews, where the leader opened what is asked for. */
  const opened = (response: Response, what: 'cars' | 'forecasts'): StoredClass | null => {
    const { stored } = crewHere(response);
    if (stored.class.opened[what]) return stored;
    sendProblem(response, { status: 403, title: 'The leader has not opened this yet' });
    return null;
  };
  router.get('/cars', (_request, response) => {
    const stored = opened(response, 'cars');
    if (!stored) return;
    const cars = stored.class.crews.flatMap(({ id, name }): CarOfCrew[] => {
      const car = classes.carOf(id);
      const found = car && classes.crewOf(id);
      const design = found && carQueries(classes.spaceOf(found).store.db).get(car.id);
      return design && isReadable<StoredCar>(design) ? [{ crew: name, design: design.design }] : [];
    });
    response.json(cars);
  });
  router.get('/forecasts', (_request, response) => {
    const stored = opened(response, 'forecasts');
    if (!stored) return;
    const names = new Map(stored.class.crews.map(({ id, name }) => [id, name]));
    response.json(
      classes.standings(stored).map(({ crewId, car, best, report }): ForecastOfCrew => ({
        crew: names.get(crewId)!,
        car: car?.name ?? null,
        best,
        chance: report && report.carId === car?.id ? report.chance : null,
      })),
    );
  });
  return router;
}
