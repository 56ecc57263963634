import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildableDesigns } from '../build/reference/buildable-designs.ts';
import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { newCar } from '../car/new-car.ts';
import { valueOf } from '../car/values.ts';
import { predictRun } from '../predict/predict-run.ts';
import { curvatureOf, likelyCurvature } from '../predict/straightness.ts';
import { IDEAS, type Idea } from './idea.ts';
import type { CarFigure } from './measured-car.ts';
import { BEST_OF, luckyRuns, meanWithin } from './luck.ts';
import { TEMPLATES } from './question-templates.ts';
import { ofReel } from './reasons.ts';
import { answerOf, questionsFor, answerForFactor } from './questions.ts';
import { hasAllIdeas, nextQuestion, progressed, scoreOfIdea, type Progress } from './progress.ts';

const { cars } = JSON.parse(readFileSync(new URL('../../server/demo/skerrow.json', import.meta.url), 'utf8')) as {
  cars: { design: CarDesign }[];
};

/** What of a run each figure is. */
const KEYS = {
  distance: 'distance',
  energy: 'storedEnergy',
  speed: 'topSpeed',
  wheelspin: 'slipDistance',
  time: 'time',
  pull: 'launchThrust',
} as const;
/** m that it comes. */
const runOf = (car: CarDesign): number => {
  const prediction = predictRun(car);
  return prediction.kind === 'ran' ? prediction.result.distance : NaN;
};
/** Figures that do not scatter from run to run: their sign is asked from two in a hundred on. */
const SURE = new Set(['energy', 'pull', 'drift']);

describe('questions', () => {
  it('of 200 cars that can be built: the answer is the model’s own, run anew, and never a sign that luck would hide', () => {
    let asked = 0;
    fc.assert(
      fc.property(buildableDesigns, (design) => {
        for (const { answer, asked: figure, before, after, shows, reasons } of questionsFor(design)) {
          asked++;
          expect(reasons.filter(({ isRight }) => isRight)).toHaveLength(1);
          if (!('changed' in shows)) continue;
          const { changed } = shows;
          const run = (car: CarDesign): number => {
            // Off the line after five metres: an arc’s height over its tangent.
            if (figure === 'drift') {
              const curvature = Math.abs(curvatureOf(car)) + likelyCurvature(car);
              return (1 - Math.cos(5 * curvature)) / curvature;
            }
            const prediction = predictRun(car);
            return prediction.kind === 'ran' ? prediction.result[KEYS[figure as keyof typeof KEYS]] : NaN;
          };
          const [was, is] = [run(design), run(changed)];
          expect(was).toBeCloseTo(before, 9);
          expect(is).toBeCloseTo(after, 9);
          if (figure === 'wheelspin') {
            if (answer !== 'alike') expect(answer === 'more' ? is - was : was - is).toBeGreaterThanOrEqual(0.05);
            continue;
          }
          const change = is / was - 1;
          if (answer === 'more') expect(change).toBeGreaterThan(SURE.has(figure) ? 0.02 - 1e-9 : 0.09 - 1e-9);
          if (answer === 'less') expect(change).toBeLessThan(SURE.has(figure) ? -0.02 + 1e-9 : -0.09 + 1e-9);
          if (answer === 'alike') expect(Math.abs(change)).toBeLessThan(0.02);
        }
      }),
      { numRuns: 200 },
    );
    expect(asked).toBeGreaterThan(2000);
  });
  it.each(cars.map(({ design }) => [design.name, design] as const))('%s has some to ask, of several ideas, none twice', (_name, design) => {
    const questions = questionsFor(design);
    expect(questions.length).toBeGreaterThanOrEqual(8);
    expect(new Set(questions.map(({ idea }) => idea)).size).toBeGreaterThanOrEqual(4);
    expect(new Set(questions.map(({ id }) => id)).size).toBe(questions.length);
    expect(questions.every(({ idea }) => idea in IDEAS)).toBe(true);
  });
  it('a longer lever: less pull, the same energy', () => {
    const answers = Object.fromEntries(questionsFor(newCar('x')).map(({ id, answer }) => [id, answer]));
    expect(answers['lever-longer pull']).toBe('less');
    expect(answers['lever-energy energy']).toBe('alike');
  });
  it('have a reason for each figure and answer, which no other answer of that figure has', () => {
    const answersOf = new Map<string, Set<string>>();
    for (const { because } of TEMPLATES)
      for (const [figure, reasons] of Object.entries(because)) {
        expect(new Set(Object.values(reasons)).size).toBe(3);
        for (const [answer, words] of Object.entries(reasons)) {
          const key = `${figure}: ${words}`;
          answersOf.set(key, (answersOf.get(key) ?? new Set()).add(answer));
        }
      }
    expect([...answersOf].filter(([, answers]) => answers.size > 1)).toEqual([]);
  });
  it('give the reason of just the answer that the model has, for every question of 200 cars', () => {
    const byId = new Map(TEMPLATES.map((template) => [template.id, template]));
    fc.assert(
      fc.property(buildableDesigns, (design) => {
        for (const { id, answer, asked, reasons, shows } of questionsFor(design)) {
          if (!('changed' in shows)) continue;
          const right = byId.get(id.split(' ')[0]!)!.because[asked as CarFigure]![answer];
          const told = isRoller(design) ? ofReel(right) : right;
          expect(reasons.find(({ isRight }) => isRight)!.words).toBe(told);
          if (asked === 'drift') expect(runOf(design)).toBeGreaterThanOrEqual(5);
        }
      }),
      { numRuns: 200 },
    );
  });
  it('of a roller speak of its reel, and of no wheels or axles that it lacks', () => {
    const roller = newCar('x', 'twist');
    for (const { change, reasons, shows } of questionsFor(roller)) {
      expect(change).not.toMatch(/wheel|axle|tyre/i);
      if ('changed' in shows) for (const { words } of reasons.slice(0, 3)) expect(words).not.toMatch(/\bwheels\b|axle|bearing|tyre/i);
    }
    expect(questionsFor(roller).map(({ change }) => change)).toContain('A reel a third larger in diameter');
  });
  it('half the friction in the bearings is half of what they have, estimated or measured', () => {
    const card = { ...newCar('x'), bearing: 'wood-card' as const };
    const half = TEMPLATES.find(({ id }) => id === 'graphite')!.make;
    expect(valueOf(half(card)!, 'bearingFriction').value).toBeCloseTo(valueOf(card, 'bearingFriction').value / 2, 12);
    const measured = { ...card, measured: { bearingFriction: { value: 0.3, spread: 0.05 } } };
    expect(half(measured)!.measured.bearingFriction).toEqual({ value: 0.15, spread: 0.05 });
  });
  it('change what their words say, by as much', () => {
    const made = (id: string, design: CarDesign) => TEMPLATES.find((template) => template.id === id)!.make(design);
    const [lever, band] = [newCar('x'), newCar('x', 'band')];
    expect(made('axle-thicker', lever)!.axleDiameter).toBeCloseTo(1.5 * lever.axleDiameter, 12);
    expect(made('wheels-bigger', lever)!.driveWheels.diameter).toBeCloseTo((4 / 3) * lever.driveWheels.diameter, 12);
    expect(made('wheels-smaller', lever)!.driveWheels.diameter).toBeCloseTo(0.75 * lever.driveWheels.diameter, 12);
    for (const id of ['toe', 'toe-line'])
      expect(made(id, lever)!.alignment.otherToe - lever.alignment.otherToe).toBeCloseTo(Math.PI / 180, 12);
    expect(made('mismatch', lever)!.alignment.wheelMismatch - lever.alignment.wheelMismatch).toBeCloseTo(0.002, 12);
    for (const id of ['ballast-far', 'ballast-speed', 'ballast-energy', 'ballast-spin'])
      expect(made(id, lever)!.ballast.mass - lever.ballast.mass).toBeCloseTo(0.05, 12);
    expect(made('ballast-spin', lever)!.ballast.fromDriveAxle).toBe(0);
    expect([made('downhill', lever)!.floor.slope, made('uphill', lever)!.floor.slope]).toEqual([
      lever.floor.slope - 0.005,
      lever.floor.slope + 0.005,
    ]);
    expect(made('light-body', lever)!.rest.mass - lever.rest.mass).toBeCloseTo(-0.02, 12);
    const turns = (design: CarDesign): number => (design.motor as { turns: number }).turns;
    const ten = { ...band, motor: { ...band.motor, turns: 10 } as typeof band.motor };
    expect([turns(made('more-turns', ten)!), turns(made('fewer-turns', ten)!)]).toEqual([12, 8]);
    const { parallel, series } = band.motor as { parallel: number; series: number };
    expect(made('band-beside', band)!.motor).toMatchObject({ parallel: parallel + 1, series });
    expect(made('band-on-end', band)!.motor).toMatchObject({ parallel, series: series + 1 });
    expect(made('tied', { ...band, motor: { ...band.motor, release: 'free' } as typeof band.motor })!.motor).toMatchObject({
      release: 'tied',
    });
    expect(made('wide', lever)!.body.width).toBeCloseTo(Math.min(2 * lever.body.width, lever.trackWidth), 12);
    expect(made('sail', lever)!.measured.dragArea!.value).toBeCloseTo(2 * valueOf(lever, 'dragArea').value, 12);
    expect(new Set(TEMPLATES.map(({ id }) => id)).size).toBe(TEMPLATES.length);
    expect(new Set(TEMPLATES.map(({ idea }) => idea)).size).toBe(9);
  });
  it('take a sketch as said: within two in a hundred it is hardly any change', () => {
    expect([1.3, 1.021, 1.019, 1, 0.981, 0.979, 0.5].map(answerForFactor)).toEqual([
      'more',
      'more',
      'alike',
      'alike',
      'alike',
      'less',
      'less',
    ]);
  });
  it('are none of a car that does not run', () => {
    expect(questionsFor({ ...newCar('x'), wheelbase: -1 })).toEqual([]);
  });
  it('are not asked where luck would hide the sign', () => {
    expect(answerOf('distance', 10, 10.5)).toBeNull();
    expect(answerOf('distance', 10, 11)).toBe('more');
    expect(answerOf('distance', 10, 10.1)).toBe('alike');
    expect(answerOf('pull', 10, 10.5)).toBe('more');
    expect(answerOf('wheelspin', 0, 0.01)).toBe('alike');
    expect(answerOf('wheelspin', 0.5, 0.1)).toBe('less');
  });
});

describe('luck', () => {
  it('draws runs about the mean with the scatter of a car, and the best of n as far beyond it as the tables have it', () => {
    const many = luckyRuns(10, 30_000, 5);
    const mean = many.reduce((sum, one) => sum + one, 0) / many.length;
    const scatter = Math.sqrt(many.reduce((sum, one) => sum + (one - mean) ** 2, 0) / many.length);
    expect(mean).toBeCloseTo(10, 1);
    expect(scatter).toBeCloseTo(0.6, 1);
    for (const count of [3, 10] as const) {
      const groups = Math.floor(many.length / count);
      const bests = Array.from({ length: groups }, (_, i) => Math.max(...many.slice(i * count, (i + 1) * count)));
      expect((bests.reduce((sum, one) => sum + one, 0) / groups - 10) / 0.6).toBeCloseTo(BEST_OF[count], 1);
    }
    // 8 of 10 means of four lie within.
    const means = Array.from({ length: 5000 }, (_, i) => luckyRuns(10, 4, i).reduce((sum, one) => sum + one, 0) / 4);
    expect(means.filter((one) => Math.abs(one - 10) < meanWithin(10, 4)).length / 5000).toBeCloseTo(0.8, 1);
  });
  it('is asked of every car that runs: more runs make a mean surer, not longer', () => {
    const answers = Object.fromEntries(questionsFor(newCar('x')).map(({ id, answer }) => [id, answer]));
    expect(answers).toMatchObject({ 'mean-of-five': 'less', 'best-of-ten': 'more', 'after-the-best': 'less', 'twenty-runs': 'alike' });
  });
});

describe('progress', () => {
  const questions = questionsFor(newCar('x'));
  it('asks what is due: wrong ones soon again, right ones later and later', () => {
    const [first] = questions;
    const wrong = progressed({}, first!, false, 0);
    const right = progressed({}, first!, true, 0);
    expect(wrong[first!.id]!.due).toBeLessThan(right[first!.id]!.due);
    expect(progressed(right, first!, true, 1)[first!.id]!.due - 1).toBeGreaterThan(right[first!.id]!.due);
    // Never the one that was just asked, while there are others.
    expect(nextQuestion(questions, wrong, 1)!.id).not.toBe(first!.id);
  });
  it('takes what is new from the idea that was asked least', () => {
    let progress: Progress = {};
    const first = questions.filter(({ idea }) => idea === 'gears').slice(0, 2);
    for (const question of first) progress = progressed(progress, question, true, 0);
    // Nothing is due: what comes is new, and of another idea.
    const next = nextQuestion(questions, progress, 2)!;
    expect(progress[next.id]).toBeUndefined();
    expect(next.idea).not.toBe('gears');
    // With one of every other idea asked three times over, gears are next.
    for (const idea of Object.keys(IDEAS) as Idea[])
      if (idea !== 'gears') for (let n = 0; n < 3; n++) progress = { ...progress, [`${idea} ${n}`]: { idea, streak: 1, due: 99 } };
    expect(nextQuestion(questions, progress, 2)!.idea).toBe('gears');
  });
  it('has all ideas once a question of each was right the last time', () => {
    const right = (streak: (idea: string) => number): Progress =>
      Object.fromEntries((Object.keys(IDEAS) as Idea[]).map((idea) => [idea, { idea, streak: streak(idea), due: 9 }]));
    expect(hasAllIdeas(right(() => 1))).toBe(true);
    expect(hasAllIdeas(right((idea) => (idea === 'air' ? 0 : 2)))).toBe(false);
    expect(hasAllIdeas({})).toBe(false);
  });
  it('asks again after 3, 8, 20 and 50 answers, and never later', () => {
    let progress: Progress = {};
    const [question] = questions;
    const waits: number[] = [];
    for (let n = 0; n < 6; n++) {
      progress = progressed(progress, question!, n > 0, 100 * n);
      waits.push(progress[question!.id]!.due - 100 * n);
    }
    expect(waits).toEqual([3, 8, 20, 50, 50, 50]);
  });
  it('tells of an idea how many were right last time', () => {
    const [one, two] = questions.filter(({ idea }) => idea === 'gears');
    const progress = progressed(progressed({}, one!, true, 0), two!, false, 1);
    expect(scoreOfIdea(progress, 'gears')).toEqual({ right: 1, asked: 2 });
    expect(scoreOfIdea(progress, 'luck')).toEqual({ right: 0, asked: 0 });
    expect(scoreOfIdea(progressed(progress, one!, false, 2), 'gears')).toEqual({ right: 0, asked: 2 });
  });
  it('asks what is due soonest where nothing else is left, and nothing of no questions', () => {
    const [one, two] = questions;
    const progress: Progress = { [one!.id]: { idea: one!.idea, streak: 1, due: 40 }, [two!.id]: { idea: two!.idea, streak: 1, due: 30 } };
    expect(nextQuestion([one!, two!], progress, 5)!.id).toBe(two!.id);
    expect(nextQuestion([], progress, 5)).toBeNull();
  });
  it('comes to every question in time', () => {
    let progress: Progress = {};
    const seen = new Set<string>();
    for (let count = 0; count < 4 * questions.length; count++) {
      const question = nextQuestion(questions, progress, count)!;
      seen.add(question.id);
      progress = progressed(progress, question, count % 3 > 0, count);
    }
    expect(seen.size).toBe(questions.length);
  });
});
