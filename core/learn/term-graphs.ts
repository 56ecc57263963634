import { arrow } from './arrows.ts';
import { makeCircle, makeLine, makePath, makePlace, type Item, type Place } from '../build/drawing.ts';
import type { CarDesign } from '../car/car-design.ts';
import { predictRun } from '../predict/predict-run.ts';
import { curvatureOf, floorPath, likelyCurvature } from '../predict/straightness.ts';
import { luckyRuns } from './luck.ts';
import { DRIFT_WAY } from './measured-car.ts';
import type { TermId } from './glossary-terms.ts';

/** mm of a graph across and in height, and kept free about it. */
export const WIDE = 56;
export const HIGH = 26;
export const ROOM = 5;
/** Lines by which the room under a curve is hatched. */
const LINES_UNDER = 40;

/** A graph in its frame of two axes; `points` as fractions of its room, from the lower left. */
const axes = (): Item[] => [
  makePath([makePlace(ROOM, ROOM), makePlace(ROOM, ROOM + HIGH), makePlace(ROOM + WIDE, ROOM + HIGH)], 'outline'),
];
const onGraph = (x: number, y: number): Place => makePlace(ROOM + WIDE * x, ROOM + HIGH * (1 - 0.9 * y));

/** The car’s run as columns: fractions of its distance, and of the greatest pull, resistance and speed. */
function sampled(design: CarDesign) {
  const prediction = predictRun(design, { kind: 'full' }, { trace: true });
  const trace = prediction.kind === 'ran' ? prediction.result.trace : undefined;
  if (!trace || trace.distance.length < 2 || prediction.kind !== 'ran' || !(prediction.result.distance > 0)) return null;
  const { distance, powerEndDistance, topSpeed } = prediction.result;
  const most = Math.max(...trace.thrust, ...trace.resistance);
  return {
    end: powerEndDistance === null ? 1 : powerEndDistance / distance,
    pull: trace.distance.map((d, i) => onGraph(d / distance, trace.thrust[i]! / most)),
    resistance: trace.distance.map((d, i) => onGraph(d / distance, trace.resistance[i]! / most)),
    speed: trace.distance.map((d, i) => onGraph(d / distance, trace.speed[i]! / topSpeed)),
    fastest: trace.distance[trace.speed.indexOf(Math.max(...trace.speed))]! / distance,
  };
}

/** Words that are shown by a graph of this car’s run. */
export const BY_GRAPH: Partial<Readonly<Record<TermId, (design: CarDesign) => readonly Item[]>>> = {
  censored: () => {
    const [y, wall] = [ROOM + HIGH / 2, ROOM + 0.8 * WIDE];
    return [
      makeLine(makePlace(ROOM, y), makePlace(wall, y), 'outline'),
      makeLine(makePlace(wall, ROOM), makePlace(wall, ROOM + HIGH), 'frame'),
      ...arrow(makePlace(wall, y), makePlace(wall + 10, y)),
    ];
  },
  interval: () => {
    const y = ROOM + HIGH / 2;
    const [from, to] = [ROOM + 0.25 * WIDE, ROOM + 0.75 * WIDE];
    return [
      makeLine(makePlace(ROOM, y), makePlace(ROOM + WIDE, y), 'thin'),
      makeLine(makePlace(from, y), makePlace(to, y), 'frame'),
      ...[from, (from + to) / 2, to].map((x) => makeLine(makePlace(x, y - 4), makePlace(x, y + 4), 'frame')),
    ];
  },
  coasting: (design) => {
    const run = sampled(design);
    return run
      ? [
          ...axes(),
          makePath(run.speed, 'thin'),
          makePath(
            run.speed.filter(({ x }) => x >= onGraph(run.end, 0).x),
            'frame',
          ),
        ]
      : [];
  },
  curvature: (design) => pathOf(design),
  drift: (design) => {
    const items = pathOf(design);
    const last = items.at(-1);
    const end = last?.kind === 'path' ? last.points.at(-1)! : makePlace(0, 0);
    return [...items, ...arrow(makePlace(end.x, ROOM + HIGH / 2), end)];
  },
  energy: (design) => {
    const run = sampled(design);
    if (!run) return [];
    // Lines an equal way apart, each up to the curve.
    const hatched = Array.from({ length: LINES_UNDER }, (_, i) => onGraph((i + 0.5) / LINES_UNDER, 0)).map((foot) => {
      const top = run.pull.find(({ x }) => x >= foot.x) ?? foot;
      return makeLine(foot, makePlace(foot.x, top.y), 'thin');
    });
    return [...axes(), makePath(run.pull, 'frame'), ...hatched];
  },
  hysteresis: (design) => {
    const run = sampled(design);
    // Stretched along the upper line, let go along the lower: what lies between them stays as heat.
    const lower = run?.pull.map(({ x, y }) => makePlace(x, y + 0.15 * (ROOM + HIGH - y)));
    return run && lower ? [...axes(), makePath(run.pull, 'frame'), makePath(lower, 'frame')] : [];
  },
  'kinetic-energy': (design) => {
    const run = sampled(design);
    return run ? [...axes(), makePath(run.speed, 'frame'), makeLine(onGraph(run.end, 0), onGraph(run.end, 1), 'hidden')] : [];
  },
  scatter: () => {
    const runs = luckyRuns(1, 9, 3);
    const x = (run: number): number => ROOM + WIDE * Math.min(Math.max(0.5 + 2.6 * (run - 1), 0.02), 0.98);
    const y = ROOM + HIGH / 2;
    return [
      makeLine(makePlace(ROOM, y), makePlace(ROOM + WIDE, y), 'outline'),
      makeLine(makePlace(x(1), y - 6), makePlace(x(1), y + 6), 'frame'),
      ...runs.map((run) => makeCircle(makePlace(x(run), y), 1.2, 'frame')),
    ];
  },
  stall: (design) => {
    const run = sampled(design);
    return run ? [...axes(), makePath(run.pull, 'outline'), makePath(run.resistance, 'frame')] : [];
  },
  'top-speed': (design) => {
    const run = sampled(design);
    return run ? [...axes(), makePath(run.speed, 'frame'), makeCircle(onGraph(run.fastest, 1), 1.6, 'frame')] : [];
  },
};

/** The way over the floor from above, with the straight line beside it. */
function pathOf(design: CarDesign): Item[] {
  const curvature = curvatureOf(design) || likelyCurvature(design);
  const points = floorPath(curvature, DRIFT_WAY, 20).map(({ x, y }) =>
    makePlace(ROOM + (WIDE * x) / DRIFT_WAY, ROOM + HIGH / 2 + Math.max(-HIGH / 2, Math.min(HIGH / 2, (WIDE * y) / DRIFT_WAY))),
  );
  return [makeLine(makePlace(ROOM, ROOM + HIGH / 2), makePlace(ROOM + WIDE, ROOM + HIGH / 2), 'centre'), makePath(points, 'frame')];
}
