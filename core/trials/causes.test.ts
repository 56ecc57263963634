import { describe, expect, it } from 'vitest';
import type { CarDesign, RunRecord, Wind } from '../car/car-design.ts';
import { MOTOR_KINDS } from '../car/motors/motors.ts';
import { newCar } from '../car/new-car.ts';
import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import { driftAfter } from '../predict/straightness.ts';
import { makeWorkspace } from '../run/workspace.ts';
import { CAUSE_IDS, describeCause } from './cause-descriptions.ts';
import { explain, faultOf, observationsIn, weighCauses, type FaultId } from './causes.ts';
import { likelyCar } from './fit/built-car.ts';
import { outputsOf, STALL } from './fit/outputs.ts';
import type { TrialGroup } from './fit/trial.ts';
import type { Outlook } from '../explore/outlook.ts';
import { nextByRuns, nextThing, type CarInBrief } from './next-thing.ts';
import { straightening } from './straight.ts';
import { repairsIn, runPlan, PLANNED_NOTE_PREFIX, tuningLog } from './tuning-log.ts';
import { measuredRuns, tuneCar, type Tuning } from './tuning.ts';

const design = newCar('Tern');
const turns = fullTurns(design);
const half = { kind: 'turns', turns: Math.round(turns) / 2 } as const;
const full = { kind: 'full' } as const;
const workspace = makeWorkspace();

/** Three runs each at half and full winding of a car with this wrong with it. */
function runsWith(id: FaultId | 'none', withTimes = false): TrialGroup[] {
  return ([half, full] as Wind[]).map((wind) => {
    const car = likelyCar(design, wind, wind.kind === 'full' ? 1 : 0.5);
    const wrong = id === 'none' ? car : faultOf(id).perturb(car, 0.5);
    const { values } = outputsOf(wrong, [], workspace)!;
    const distance = Math.exp(values[0]!) - STALL;
    return {
      design,
      wind,
      runs: [0.98, 1, 1.02].map((by) => ({
        outcome: { kind: 'stopped', distance: by * distance },
        ...(withTimes && { time: Math.exp(values[1]!) * by }),
      })),
    };
  });
}

describe('why it fell short', () => {
  it('a car that runs as thought has most likely nothing wrong with it', () => {
    const { causes } = explain(weighCauses(runsWith('none'))!);
    expect(causes[0]!.id).toBe('none');
    expect(causes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 9);
  });
  it.each(['rubbing', 'tied', 'fewer-turns'] as const)('%s, told with times, is among the first two, and explains metres', (id) => {
    const { causes } = explain(weighCauses(runsWith(id, true))!);
    const faults = causes.filter((cause) => cause.id !== 'none').slice(0, 2);
    expect(faults.map((cause) => cause.id)).toContain(id);
    expect(causes.find((cause) => cause.id === id)!.metres).toBeGreaterThan(0.1);
  });
  it('a check at the table ranks again: confirmed it is named, ruled out it is not first; what was seen counts too', () => {
    const weighed = weighCauses(runsWith('rubbing'))!;
    const rubbed = { runs: 6, counts: { rubbed: 4 } };
    const before = explain(weighed).causes.find(({ id }) => id === 'rubbing')!.probability;
    const seen = explain(weighed, { noted: rubbed, checks: { rubbing: 'confirmed' } });
    expect(seen.named).toBe('rubbing');
    expect(explain(weighed, { noted: rubbed }).causes.find(({ id }) => id === 'rubbing')!.probability).toBeGreaterThan(before);
    const out = explain(weighed, { checks: { rubbing: 'ruled-out' } });
    expect(out.causes[0]!.id).not.toBe('rubbing');
    expect(out.named === null ? out.wouldTell : 'named').toBeTruthy();
  });
  it('notes count by the share of runs in which they were made, against what is noted of sound cars anyway', () => {
    const even = { evidence: (['none', 'rubbing', 'veering'] as const).map((id) => ({ id, lnEvidence: 0, metres: 0 })) };
    const odds = (rubbed: number): number => {
      const { causes } = explain(even, { noted: { runs: 8, counts: { rubbed } } });
      const of = (id: string): number => causes.find((cause) => cause.id === id)!.probability;
      // Against a cause of the same share before: only the note parts them. "Caught" was observed of none.
      return of('rubbing') / of('veering') / caught;
    };
    // Beta-binomial, by hand with ln Γ: B(k + 1.2, 8.8 − k)/B(1.2, 0.8) over B(k + 0.25, 12.75 − k)/B(0.25, 4.75).
    const caught = 0.3165;
    expect(odds(1) / odds(0)).toBeCloseTo(0.58438 / 0.080819, 2);
    expect(odds(8) / odds(1)).toBeCloseTo(1607.774 / 0.58438, 0);
  });
  it('of notes, those of runs that are left out do not count, and drifts to both sides cancel', () => {
    const run = (seen: RunRecord['seen'], leftOut = false) => ({ seen, ...(leftOut && { leftOut }) });
    expect(
      observationsIn([run(['drifted-left', 'rubbed']), run(['drifted-left']), run(['drifted-right']), run(['rubbed'], true), run([])]),
    ).toEqual({ runs: 4, counts: { 'drifted-left': 1, 'drifted-right': 0, rubbed: 1 } });
  });
  it('a floor that leans far is found, though no slope leads there from a level one', () => {
    const way = (direction: 'out' | 'back', z: number): TrialGroup => {
      const car = likelyCar(careful, full, 1, { direction });
      const distance = Math.exp(outputsOf(faultOf('leaning-floor').perturb(car, z), [], workspace)!.values[0]!) - STALL;
      return {
        design: careful,
        wind: full,
        direction,
        runs: [0.97, 1, 1.03].map((by) => ({ outcome: { kind: 'stopped', distance: by * distance } })),
      };
    };
    const careful: CarDesign = { ...design, care: 'careful' };
    const leaning = [way('out', -1.9), way('back', -1.9)];
    const [out, back] = leaning.map(({ runs }) => runs[1]!.outcome.distance);
    expect(out! / back!).toBeGreaterThan(8);
    expect(explain(weighCauses(leaning)!).named).toBe('leaning-floor');
    const level = explain(weighCauses([way('out', 0), way('back', 0)])!).causes;
    expect(level.find(({ id }) => id === 'leaning-floor')!.probability).toBeLessThan(0.2);
  });
  it('what no cause of the list explains is something else, and two at once are named as two only where they are likelier together', () => {
    const rank = (...evidence: Parameters<typeof explain>[0]['evidence']) => explain({ evidence });
    const told = (id: 'none' | 'other' | FaultId, lnEvidence: number) => ({ id, lnEvidence, metres: 0 });
    const pair = (lnEvidence: number) => ({ id: 'two' as const, pair: ['rubbing', 'weak-motor'] as const, lnEvidence, metres: 0 });
    expect(rank(told('none', -40), told('rubbing', -30), told('other', -5), pair(-29))).toMatchObject({ named: 'other' });
    expect(rank(told('none', -40), told('rubbing', -30), told('other', -25), pair(0))).toMatchObject({ named: 'two' });
    // Alone it is likelier than with another: it is named, as sure as it is at work at all.
    const { named, sureness } = rank(told('none', -40), told('rubbing', 0), told('other', -25), pair(1));
    expect(named).toBe('rubbing');
    expect(sureness).toBeCloseTo(1, 6);
  });
  it.each(MOTOR_KINDS)('every cause is told in the words of a %s car: nothing of another’s parts', (kind) => {
    const foreign = {
      lever: /band|reel|arm /,
      band: /string|spring(?! scale)|lever|reel|arm /,
      twist: /string|spring(?! scale)|lever|axle|wheel/,
    }[kind];
    // A reel’s band has nothing to let go of: that is weighed of no roller.
    const ids = CAUSE_IDS.filter((id) => kind !== 'twist' || id !== 'tied');
    const told = ids.flatMap((id) => Object.values(describeCause(id, kind)).map((words) => [id, words as string | null] as const));
    expect(told.filter(([, words]) => words && foreign.test(words))).toEqual([]);
    expect(CAUSE_IDS.map((id) => describeCause(id, kind).name)).toHaveLength(
      new Set(CAUSE_IDS.map((id) => describeCause(id, kind).name)).size,
    );
  });
});

describe('straightness from drifts', () => {
  it('pushes both ways take a leaning floor out of it: the car’s own curvature is the mean of both', () => {
    const runs = [0.03, -0.01].flatMap((curvature, i) =>
      [5, 5.1].map((distance) => ({
        distance,
        drift: driftAfter(curvature, distance),
        direction: i === 0 ? ('out' as const) : ('back' as const),
      })),
    );
    const told = straightening(design, runs)!;
    expect(told.curvature).toBeCloseTo(0.01, 3);
    expect(told.ofFloor).toBeCloseTo(0.02, 3);
  });
  it('holds the truth as often as it says, 9 in 10: two out, two back, ten that tell no direction, on a floor that leans', () => {
    const random = randomGenerator(9);
    const pushed = (curvature: number, scatter: number, direction?: 'out' | 'back') => {
      const drift = driftAfter(curvature, 6) + scatter * standardNormal(random());
      return { distance: 6, drift, ...(direction && { direction }) };
    };
    const draws = 4000;
    let held = 0;
    for (let n = 0; n < draws; n++) {
      const truth = 0.02 * standardNormal(random());
      const floor = 0.02 * standardNormal(random());
      // As steady as pushes usually are, give or take: scaled inverse χ² of three.
      const scatter = 0.09 * Math.sqrt(3 / [0, 1, 2].reduce((sum) => sum + standardNormal(random()) ** 2, 0));
      const ways = (['out', 'out', 'back', 'back'] as const).map((way) => pushed(truth + (way === 'out' ? floor : -floor), scatter, way));
      const undirected = Array.from({ length: 10 }, () => pushed(truth + floor, scatter));
      const { low, high } = straightening(design, [...ways, ...undirected])!;
      if (truth >= low && truth <= high) held++;
    }
    expect(Math.abs(held / draws - 0.9)).toBeLessThan(0.015);
  });
  it('says which end to move once it is surer than the scatter, with its range; nothing before', () => {
    const to = (drifts: readonly number[]) =>
      straightening(
        design,
        drifts.map((drift) => ({ distance: 6, drift })),
      )!;
    const sure = to([0.8, 0.82, 0.79]);
    expect(sure.moves).toHaveLength(2);
    expect(sure.moves[0]!.distance).toBeGreaterThan(sure.within);
    expect(to([0.8, -0.7, 0.1]).moves).toEqual([]);
    expect(straightening(design, [])).toBeNull();
    // Runs of 20 cm and less tell no curve.
    const long = [5, 6].map((distance) => ({ distance, drift: 0.1 * distance }));
    const short = [0.2, 0.1].map((distance) => ({ distance, drift: -distance }));
    expect(straightening(design, [...long, ...short])).toEqual(straightening(design, long));
  });
});

describe('what may be wrong', () => {
  it.each(['rubbing', 'weak-motor', 'fewer-turns', 'bending'] as const)(
    '%s takes from the way, and the more the more of it there is',
    (id) => {
      const car = likelyCar(design, full, 1);
      const way = (wrong: typeof car): number => outputsOf(wrong, [], workspace)!.values[0]!;
      const ways = [way(car), ...[-1, 0, 1].map((z) => way(faultOf(id).perturb(car, z)))];
      expect(ways).toEqual(ways.toSorted((a, b) => b - a));
      expect(new Set(ways).size).toBe(4);
    },
  );
});

describe('the next thing to do', () => {
  const likely: Outlook = { chance: 0.7, help: 'Tyres: foam strip', toMeasure: { name: 'Roll down from a book', fraction: 0.1 } };
  const car: CarInBrief = { canRun: true, brokenRule: null, hasBrief: true, runs: 0, isBuilt: true, outlook: likely };
  it.each([
    [{ ...car, canRun: false }, 'design'],
    [{ ...car, brokenRule: 'length' }, 'design'],
    [{ ...car, hasBrief: false }, 'brief'],
    // Each that comes first goes before all that come after it.
    [{ ...car, canRun: false, brokenRule: 'length', hasBrief: false, isBuilt: false }, 'design'],
    [{ ...car, brokenRule: 'length', hasBrief: false, isBuilt: false }, 'design'],
    [{ ...car, hasBrief: false, isBuilt: false, outlook: { ...likely, chance: 0.1 } }, 'brief'],
    [{ ...car, isBuilt: false, outlook: { ...likely, chance: 0.49 } }, 'design'],
    [{ ...car, isBuilt: false, outlook: { ...likely, chance: 0.5, toMeasure: { name: 'x', fraction: 0.9 } } }, 'build'],
    [{ ...car, outlook: { ...likely, toMeasure: { name: 'Roll down from a book', fraction: 0.3 } } }, 'bench'],
    [{ ...car, runs: 3, outlook: { ...likely, chance: 0.1 } }, 'tune'],
    [{ ...car, outlook: null }, 'track'],
    [car, 'track'],
    [{ ...car, runs: 2 }, 'track'],
    [{ ...car, runs: 3 }, 'tune'],
  ] as const)('%o leads to %s', (known, station) => {
    expect(nextThing(known).station).toBe(station);
  });
  it('says what to try, build or measure, and why', () => {
    const told = (more: Partial<CarInBrief>) => nextThing({ ...car, ...more });
    expect(told({ outlook: { ...likely, chance: 0.31 } })).toMatchObject({
      words: 'try: Tyres: foam strip',
      reason: '3 in 10 cars built like this reach the goal',
    });
    expect(told({ outlook: { ...likely, chance: 0.01, help: null } })).toMatchObject({
      words: 'let Best car search for a better one',
      reason: 'hardly any cars built like this reach the goal',
    });
    expect(told({ runs: 1 }).words).toBe('make two more like runs');
    expect(told({ runs: 2 }).words).toBe('make one more like run');
    expect(told({ outlook: { ...likely, toMeasure: { name: 'Roll down from a book', fraction: 0.42 } } })).toMatchObject({
      words: 'measure: roll down from a book',
      reason: 'it cuts the uncertainty by about 42 %',
    });
  });
});

describe('the next thing once the runs were weighed', () => {
  const told = (rubbing: number) => ({
    causes: [
      { id: 'none' as const, probability: 1 - rubbing, metres: 0 },
      { id: 'rubbing' as const, probability: rubbing, metres: 2 },
    ],
    named: null,
    sureness: 0,
    isAlone: false,
    wouldTell: null,
  });
  const change = { words: 'lever 180 mm → 200 mm' } as NonNullable<Tuning['next']>['changes'][number];
  const next = { changes: [change], unsure: 0, stoppedBy: null, tradeOffs: [], distance: 1 };
  const tuning = { next, further: [], full: null, putRight: [], hasRun: true };
  it('is what stops it, then a check at the table, then a change, then a run that tells', () => {
    expect(nextByRuns({ ...tuning, next: { ...next, changes: [], stoppedBy: 'length' } }, told(0.6)).words).toContain('length');
    // What cures it comes before anything else.
    expect(nextByRuns({ ...tuning, next: { ...next, stoppedBy: 'length' } }, told(0.6))).toMatchObject({
      station: 'tune',
      words: `try one change: ${change.words}`,
    });
    expect(nextByRuns(tuning, told(0.6)).words).toContain('flick');
    expect(nextByRuns(tuning, told(0.2)).words).toContain('lever');
    const withRun = { ...tuning, next: { ...next, changes: [] }, further: [{ id: 'full' as const, fraction: 0.3 }] };
    expect(nextByRuns(withRun, told(0.2))).toMatchObject({
      words: 'make one more run fully wound',
      reason: expect.stringContaining('30 %'),
    });
    const little = { ...withRun, further: [{ id: 'full' as const, fraction: 0.02 }] };
    expect(nextByRuns(little, told(0.2)).station).toBe('bench');
  });
  it('goes on from what was found at the table: the cure, or past what was ruled out', () => {
    expect(nextByRuns(tuning, told(0.9), { checks: { rubbing: 'confirmed' } }).words).toContain('spacer');
    expect(nextByRuns(tuning, told(0.6), { checks: { rubbing: 'ruled-out' } }).words).toContain('lever');
    const unrun = nextByRuns({ ...tuning, putRight: ['rubbing'], hasRun: false }, null);
    expect(unrun).toMatchObject({ station: 'track', words: 'make three like runs', reason: expect.stringContaining('repaired') });
    expect(nextByRuns({ ...tuning, hasRun: false }, null).reason).toContain('changed');
  });
  it('is the run that counts once nine in ten of its next runs do what is asked', () => {
    const interval = { low: 11, middle: 12, high: 13 };
    const reaching = (reaches: number) => ({ ...tuning, full: { mean: interval, next: interval, fork: null, reaches } });
    expect(nextByRuns(reaching(0.95), told(0.2))).toMatchObject({
      words: 'make the run that counts',
      reason: expect.stringMatching(/^it meets its brief: about 95\s%|^it meets its brief: 95\s%/),
    });
    expect(nextByRuns(reaching(0.9), told(0.2)).words).toBe('make the run that counts');
    expect(nextByRuns(reaching(0.85), told(0.2)).words).toContain('lever');
  });
});

const record = (distance: number, wind: Wind, minute: number): Omit<RunRecord, 'design'> => ({
  format: 'nimble-axle/run-record',
  version: 1,
  ranAt: `2026-11-21T18:${String(minute).padStart(2, '0')}:00.000Z`,
  wind,
  outcome: { kind: 'stopped', distance },
  seen: [],
  note: '',
});

describe('all that runs tell', () => {
  const reach = (car: CarDesign, wind: Wind): number => {
    const prediction = predictRun(car, wind);
    return prediction.kind === 'ran' ? prediction.result.distance : NaN;
  };
  const runs = ([half, full] as Wind[]).flatMap((wind, g) =>
    [0.97, 1, 1.02].map((by, i) => ({ design, record: record(0.9 * by * reach(design, wind), wind, 10 * g + i) })),
  );
  it('is told at once: groups, the curve, what was learnt, why and what next', () => {
    const shares: number[] = [];
    const tuning = tuneCar({ ...design, floor: { ...design.floor, roomLength: 10 } }, runs, { onProgress: (share) => shares.push(share) })!;
    expect(tuning.groups.map(({ distances }) => distances.length)).toEqual([3, 3]);
    for (const { heldOut, predicted, fitted } of tuning.groups) {
      expect(heldOut!.middle).toBeGreaterThan(0);
      expect(fitted!.middle).toBeLessThan(predicted!);
    }
    expect(tuning.curve.at(-1)!.fitted!.middle / tuning.full!.mean.middle).toBeCloseTo(1, 6);
    expect(tuning.room!.turns).toBeLessThan(turns);
    // It reaches the wall as it is: nothing is gained that counts. On a long floor there is.
    expect(tuning.next!.changes).toEqual([]);
    expect(tuneCar(design, runs)!.next!.changes.length).toBeGreaterThan(0);
    expect(shares).toEqual(shares.toSorted((a, b) => a - b));
    expect(tuneCar(design, [])).toBeNull();
  });
  it('is told part by part: as measured, then the fit, the causes, and what to change, each as it is in the end', () => {
    const parts: Tuning[] = [];
    const whole = tuneCar(design, runs, { onPart: (part) => parts.push(part) })!;
    const measured = measuredRuns(design, runs)!;
    expect([measured, ...parts, whole].map(({ pending }) => pending)).toEqual([
      ['fit', 'causes', 'changes'],
      ['causes', 'changes'],
      ['changes'],
      [],
    ]);
    const [fit, why] = parts as [Tuning, Tuning];
    expect(fit).toEqual({ ...whole, pending: fit.pending, causes: null, next: null });
    expect(why).toEqual({ ...whole, pending: why.pending, next: null });
    // As measured nothing is told of a model, and what is told stays.
    for (const [i, group] of measured.groups.entries())
      expect(whole.groups[i]).toMatchObject({ distances: group.distances, spread: group.spread, beyond: group.beyond });
    expect(measured).toMatchObject({ full: null, curve: [], turns: whole.turns, noted: whole.noted, hasRun: whole.hasRun });
    expect(measuredRuns(design, [])).toBeNull();
  });
  it('keeps a log of what was tried, with its verdict, and what is still to be run', () => {
    const longer: CarDesign = { ...design, motor: { ...design.motor, leverLength: 0.24 } as CarDesign['motor'] };
    const version = (id: string, name: string, car: CarDesign, parent: string | null, note = '') => ({
      id,
      carId: 'car',
      version: 1,
      record: {
        format: 'nimble-axle/car-version' as const,
        version: 1 as const,
        name,
        note,
        keptAt: `2026-11-2${parent ? 2 : 1}T00:00:00.000Z`,
        parent,
        change: '',
        design: car,
      },
    });
    const versions = [
      version('b', 'longer', longer, 'a', `${PLANNED_NOTE_PREFIX}expected better`),
      version('a', 'as it was', design, null),
    ];
    const after = [14, 14.2].map((distance, i) => ({ design: longer, record: record(distance, full, 40 + i) }));
    const log = tuningLog(versions, longer, [...runs, ...after]);
    expect(log).toHaveLength(1);
    expect(log[0]).toMatchObject({ isPresent: true, isKept: true });
    expect(log[0]!.runs.after.map((run) => run.record.outcome.distance)).toEqual([14, 14.2]);
    expect(log[0]!.comparison!.verdict).toBe('worse');
    expect(runPlan(log)).toMatchObject({ before: 0, after: 1 });
    // Newest first, in whatever order they are stored.
    const older = version('c', 'shorter', { ...design, motor: { ...design.motor, leverLength: 0.15 } as CarDesign['motor'] }, 'a');
    const stored = [{ ...older, record: { ...older.record, keptAt: '2026-11-21T12:00:00.000Z' } }, ...versions];
    expect(tuningLog(stored, longer, runs).map(({ version: { id } }) => id)).toEqual(['b', 'c']);
    const undone = tuningLog(versions, design, runs);
    expect(undone[0]).toMatchObject({ isPresent: false, isKept: false });
    expect(runPlan(undone)).toBeNull();
    // First the runs that are planned; then, since it made it worse, back.
    const tuning = { next: null, further: [], full: null, putRight: [], hasRun: true };
    expect(nextByRuns(tuning, null, { plan: runPlan(log) }).words).toContain('planned');
    const judged = tuningLog(versions, longer, [...runs, ...after, { design: longer, record: record(14.1, full, 50) }]);
    expect(nextByRuns(tuning, null, { plan: runPlan(judged) }).words).toBe('undo “longer”');
  });
  it('splits the runs of one design where a fault was put right, and judges the cure by them', () => {
    const mended = {
      id: 'c',
      carId: 'car',
      version: 1,
      record: {
        format: 'nimble-axle/car-version' as const,
        version: 1 as const,
        name: 'put right',
        note: '',
        keptAt: '2026-11-21T18:30:00.000Z',
        parent: 'a',
        change: '',
        putRight: 'rubbing' as const,
        design,
      },
    };
    const first = { ...mended, id: 'a', record: { ...mended.record, keptAt: '2026-11-20T00:00:00.000Z', parent: null } };
    const { putRight: _none, ...plain } = first.record;
    const versions = [mended, { ...first, record: plain }];
    // Three runs at 70 % of what is thought while it rubbed, then three as expected.
    const rubbing = [0.69, 0.7, 0.71].map((by, i) => ({ design, record: record(by * reach(design, full), full, i) }));
    const after = [0.99, 1, 1.01].map((by, i) => ({ design, record: record(by * reach(design, full), full, 40 + i) }));
    const putRight = repairsIn(versions);
    const before = tuneCar(design, rubbing, { putRight })!;
    expect(before).toMatchObject({ putRight: ['rubbing'], causes: null });
    // What rubbed is gone from what is reported of the next run.
    expect(before.full!.mean.high).toBeGreaterThan(0.9 * reach(design, full));
    const now = tuneCar(design, [...rubbing, ...after], { putRight })!;
    expect(now.groups.map(({ faults }) => faults)).toEqual([['rubbing'], []]);
    expect(now.full!.mean.middle / reach(design, full)).toBeGreaterThan(0.95);
    expect(now.groups[0]!.fitted!.middle / reach(design, full)).toBeLessThan(0.8);
    const [entry] = tuningLog(versions, design, [...rubbing, ...after]);
    expect(entry).toMatchObject({ isKept: true, comparison: { verdict: 'better' } });
    expect(runPlan([entry!])).toMatchObject({ before: 0, after: 0 });
  });
});
