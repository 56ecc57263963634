import { describe, expect, it } from 'vitest';
import { newCar } from '../../../core/car/new-car.ts';
import { gainWords, groupWords, intervalWords, learntWords, straightWords, verdictWords, whyWords } from './tune-words.ts';

const plainly = (words: string): string => words.replaceAll('\u00a0', ' ');

describe('what Tune says', () => {
  it('tells an interval no finer than it is known, in either unit', () => {
    expect(plainly(intervalWords({ low: 18.83, middle: 20.04, high: 21.37 }, 'metric'))).toBe('20.0 m (18.8 to 21.4)');
    expect(plainly(intervalWords({ low: 10, middle: 15, high: 21 }, 'metric'))).toBe('15 m (10 to 21)');
    expect(plainly(intervalWords({ low: 3, middle: 6.1, high: 9 }, 'inch'))).toBe('20 ft (10 to 30)');
  });
  it('tells what was learnt as a part, with its range, and when it is little', () => {
    const learnt = { more: 0.33, low: 0.18, high: 0.52, left: 0.5 };
    const told = (...of: Parameters<typeof learntWords>): string => plainly(Object.values(learntWords(...of)).join('|'));
    expect(told(learnt, 'resistance')).toBe('It rolls about a third harder than thought|9 in 10: 18 % to 52 %|.');
    expect(told({ ...learnt, more: 0.51 }, 'resistance')).toContain('It rolls about 50 % harder');
    expect(told({ ...learnt, more: -0.2 }, 'energy')).toContain('a fifth less than thought');
    expect(told({ ...learnt, more: 0.01, left: 0.95 }, 'energy')).toMatch(/as strong as thought.*these runs tell little/);
  });
  it('tells a verdict with its interval, or how many runs would settle it', () => {
    const comparison = { verdict: 'better', gain: 0.12, low: 0.05, high: 0.19, chance: 0.99, more: null } as const;
    expect(plainly(verdictWords(comparison))).toBe('Better: +12 % (9 in 10: +5 % to +19 %).');
    expect(verdictWords({ ...comparison, verdict: 'cannot-tell', more: 4 })).toContain('about 4 more of each would settle it');
    expect(verdictWords({ ...comparison, verdict: 'cannot-tell' })).toContain('no number of runs');
  });
  it('names a cause only when it is sure, else says what would tell', () => {
    const causes = [
      { id: 'rubbing', probability: 0.6, metres: 2 },
      { id: 'none', probability: 0.4, metres: 0 },
    ] as const;
    expect(whyWords({ causes, named: null, wouldTell: 'a stop time' })).toMatch(/^This cannot be told.*something rubs.*a stop time\.$/);
    expect(plainly(whyWords({ causes, named: 'rubbing', wouldTell: null }))).toBe('This is it, 60 % sure: something rubs.');
  });
  it('tells a gain in the unit of what is asked', () => {
    const car = newCar('x');
    const change = { words: '', design: car, gain: 1.42, low: 0.9, high: 2, chance: 1, distance: 20, minutes: 10, parts: [], rules: null };
    expect(plainly(gainWords(change, car, 'metric'))).toBe('better by 1.4 m (8 in 10: 0.9 to 2.0) · 99 % likely');
    const quick = { ...car, aim: { ...car.aim, kind: 'quickest-to', distance: 6 } as typeof car.aim };
    expect(plainly(gainWords(change, quick, 'metric'))).toMatch(/^quicker by 1\.4 s/);
  });
  it('says which end to move, and of which floor; and of runs how they were wound and what ran', () => {
    const told = {
      curvature: 0.02,
      low: 0.01,
      high: 0.03,
      ofFloor: 0.01,
      drift: 0.4,
      way: 6,
      within: 0.001,
      moves: [{ axle: 'drive', end: 'right', direction: 'back', distance: 0.004 }],
    } as const;
    const [seen, move, floor] = straightWords(told, 'metric').map(plainly);
    expect(seen).toBe('It drifts 0.40 m to the right in 6.00 m.');
    expect(move).toBe('Move one of these: the right end of the drive axle 4 mm back (± 1 mm).');
    expect(floor).toContain('to the right on the way out');
    expect(straightWords({ ...told, moves: [] }, 'metric')[0]).toContain('no move yet');
    expect(groupWords({ design: newCar('x'), wind: { kind: 'turns', turns: 8 }, direction: 'out', faults: [] }, () => '“long lever”')).toBe(
      '8 turns, out, “long lever”',
    );
  });
});
