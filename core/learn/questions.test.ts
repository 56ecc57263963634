import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildableDesigns } from '../build/reference/buildable-designs.ts';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { answerOf, IDEAS, questionsFor } from './questions.ts';
import { nextQuestion, progressed, type Progress } from './progress.ts';

const { cars } = JSON.parse(readFileSync(new URL('../../server/demo/skerrow.json', import.meta.url), 'utf8')) as {
  cars: { design: CarDesign }[];
};

describe('questions', () => {
  it('of 200 cars that can be built: the answer is the model’s own, run anew, and never a sign that luck would hide', () => {
    let asked = 0;
    fc.assert(
      fc.property(buildableDesigns, (design) => {
        for (const { answer, asked: figure, before, after, changed, reasons } of questionsFor(design)) {
          asked++;
          expect(reasons.filter(({ isRight }) => isRight)).toHaveLength(1);
          if (figure !== 'distance' && figure !== 'energy' && figure !== 'speed') continue;
          const key = { distance: 'distance', energy: 'storedEnergy', speed: 'topSpeed' } as const;
          const run = (car: CarDesign): number => {
            const prediction = predictRun(car);
            return prediction.kind === 'ran' ? prediction.result[key[figure]] : NaN;
          };
          const [was, is] = [run(design), run(changed)];
          expect([was, is]).toEqual([before, after]);
          const change = is / was - 1;
          if (answer === 'more') expect(change).toBeGreaterThan(figure === 'energy' ? 0.02 : 0.09 - 1e-9);
          if (answer === 'less') expect(change).toBeLessThan(figure === 'energy' ? -0.02 : -0.09 + 1e-9);
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
  it('are not asked where luck would hide the sign', () => {
    expect(answerOf('distance', 10, 10.5)).toBeNull();
    expect(answerOf('distance', 10, 11)).toBe('more');
    expect(answerOf('distance', 10, 10.1)).toBe('alike');
    expect(answerOf('pull', 10, 10.5)).toBe('more');
    expect(answerOf('wheelspin', 0, 0.01)).toBe('alike');
    expect(answerOf('wheelspin', 0.5, 0.1)).toBe('less');
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
