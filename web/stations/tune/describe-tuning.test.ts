import { describe, expect, it } from 'vitest';
import { newCar } from '../../../core/car/new-car.ts';
import type { Comparison } from '../../../core/trials/did-it-help.ts';
import {
  describeScoring,
  describeEntry,
  describeImplausible,
  describeMean,
  formatGain,
  describeRunGroup,
  formatInterval,
  describePosteriorChange,
  describeSigns,
  describeAlignment,
  describeDifferences,
  describeVerdict,
  describeCauses,
} from './describe-tuning.ts';

const plainly = (words: string): string => words.replaceAll('\u00a0', ' ');

describe('what Tune says', () => {
  it('tells a mean no finer than its interval allows, open above where walls leave it so', () => {
    expect(plainly(describeMean({ mean: 15.03, deviation: 0.6, low: 13.67, high: 16.39 }, 'metric'))).toBe('15.0 m (13.7–16.4)');
    expect(plainly(describeMean({ mean: 15.03, deviation: 0.6, low: 13.67, high: null }, 'metric'))).toBe('15.0 m (at least 13.7)');
  });
  it('tells an interval no finer than it is known, in either unit', () => {
    expect(plainly(formatInterval({ low: 18.83, middle: 20.04, high: 21.37 }, 'metric'))).toBe('20.0 m (18.8–21.4)');
    expect(plainly(formatInterval({ low: 10, middle: 15, high: 21 }, 'metric'))).toBe('15 m (10–21)');
    expect(plainly(formatInterval({ low: 3, middle: 6.1, high: 9 }, 'inch'))).toBe('20 ft (10–30)');
  });
  it('tells what was learnt as a part, with its range, and when it is little', () => {
    const learnt = { more: 0.33, low: 0.18, high: 0.52, left: 0.5 };
    const told = (...of: Parameters<typeof describePosteriorChange>): string =>
      plainly(Object.values(describePosteriorChange(...of)).join('|'));
    expect(told(learnt, 'resistance')).toBe('Rolling resistance: about a third more than expected|18–52 %, 9 in 10|.');
    expect(told({ ...learnt, more: 0.51 }, 'resistance')).toContain('about 50 % more');
    expect(told({ ...learnt, more: -0.2 }, 'energy')).toContain('a fifth less than expected');
    expect(told({ ...learnt, more: 0.01, left: 0.95 }, 'energy')).toMatch(/as expected.*these runs tell little/);
  });
  it('tells what runs show besides: drift with its size, growing scatter, and what cannot be told yet', () => {
    const none = { drift: 'not-seen', perRun: 0, odd: 'not-seen', oddOnes: [], growing: 'not-seen' } as const;
    expect(describeSigns(none)).toEqual([]);
    expect(describeSigns({ ...none, drift: 'cannot-tell' })).toEqual([expect.stringContaining('Three like runs')]);
    expect(plainly(describeSigns({ ...none, drift: 'seen', perRun: -0.012 })[0]!)).toMatch(/falls by about 1 %: wipe wheels/);
    expect(plainly(describeSigns({ ...none, drift: 'seen', perRun: 0.03 })[0]!)).toBe('From run to run the distance rises by about 3 %.');
    expect(describeSigns({ ...none, growing: 'seen', odd: 'cannot-tell' })).toHaveLength(2);
  });
  it('says first where runs are far outside what was expected, with the entries that would explain them', () => {
    expect(describeImplausible({ verdict: 'as-expected', chance: 0.4 })).toBe('');
    expect(describeImplausible({ verdict: 'surprising', chance: 0.021 })).toMatch(
      /^Far outside the expected range \(1 in 48 cars like this\)\. Check the entries/,
    );
    expect(describeImplausible({ verdict: 'impossible', chance: 1e-9 })).toMatch(/fewer than 1 in 1000/);
    expect(plainly(describeEntry({ label: 'Axle (spool) ⌀', quantity: 'size', entered: 0.003, would: 0.006 }, 'metric'))).toBe(
      'Axle (spool) ⌀: 3 mm entered; about 6 mm would explain it',
    );
  });
  it('tells a verdict with its interval, or how many runs would settle it', () => {
    const comparison: Comparison = {
      verdict: 'better',
      scoring: { by: 'distance', isLess: false, target: null },
      gain: { middle: 0.12, low: 0.05, high: 0.19 },
      chance: 0.99,
      starts: null,
      middle: { before: 5, after: 5.6 },
      more: null,
      drift: null,
      isInTurn: false,
    };
    const told = (more: Partial<Comparison> = {}): string => plainly(describeVerdict({ ...comparison, ...more }, 'metric'));
    expect(told()).toBe('Better: +12 % (+5 to +19 %, 9 in 10).');
    expect(told({ verdict: 'cannot-tell', more: 4 })).toContain('About 4 more runs of each would decide it in two of three cases.');
    expect(told({ verdict: 'cannot-tell' })).toContain('Run both in turn');
    expect(told({ drift: -0.0101 })).toContain('Apart from the change, the distance fell by about 1 % from run to run.');
    expect(told({ verdict: 'cannot-tell', isInTurn: true })).toContain('No practical number of runs');
    const near = { by: 'goal', isLess: false, target: 12 } as const;
    expect(told({ scoring: near, gain: { middle: 0.4, low: 0.1, high: 0.7 } })).toBe(
      'Better: 0.4 m nearer to the mark (0.1–0.7, 9 in 10).',
    );
    const starts = { before: { started: 0, runs: 3 }, after: { started: 3, runs: 3 } };
    expect(told({ gain: null, starts, middle: { before: NaN, after: 1 } })).toBe(
      'Better: from nothing to about 1.0 m. 0 of 3 runs started before, 3 of 3 after.',
    );
    expect(describeScoring(comparison, { kind: 'quickest-to', distance: 6 })).toContain('a time at the mark');
    expect(describeScoring(comparison, { kind: 'furthest' })).toBe('');
    const group = { wind: { kind: 'full' }, direction: 'out', design: newCar('x') } as const;
    expect(describeDifferences(group, { ...group, direction: 'back', wind: { kind: 'turns', turns: 2 } })).toContain(
      'winding and direction',
    );
    expect(describeDifferences(group, group)).toBe('');
    const onCarpet = { ...group, design: { ...group.design, floor: { ...group.design.floor, kind: 'short-carpet' as const } } };
    expect(describeDifferences(group, onCarpet)).toBe('The car is the same: this compares the two floors.');
  });
  it('names a cause only when it is sure, else says what would tell', () => {
    const causes = [
      { id: 'rubbing', probability: 0.6, metres: 2 },
      { id: 'none', probability: 0.4, metres: 0 },
    ] as const;
    expect(describeCauses({ causes, named: null, sureness: 0, isAlone: false, wouldTell: 'rubbing' }, 'lever')).toMatch(
      /^These runs do not tell which.*something rubs.*a stop time: friction slows it while it coasts\.$/,
    );
    expect(plainly(describeCauses({ causes, named: 'rubbing', sureness: 0.84, isAlone: false, wouldTell: null }, 'lever'))).toBe(
      'Most likely cause (84 %): something rubs. There may be another cause as well.',
    );
  });
  it('tells a gain in the unit of what is asked', () => {
    const car = newCar('x');
    const change = {
      words: '',
      design: car,
      gain: 1.42,
      low: 0.9,
      high: 2,
      chance: 1,
      distance: 20,
      minutes: 10,
      parts: [],
      rules: null,
      isInPoints: false,
    };
    expect(plainly(formatGain({ ...change, isInPoints: true }, car, 'metric'))).toBe(
      '1.4 points more in all rounds (0.9–2.0, 9 in 10) · 99 % likely',
    );
    expect(plainly(formatGain(change, car, 'metric'))).toBe('better by 1.4 m (0.9–2.0, 9 in 10) · 99 % likely');
    expect(plainly(formatGain({ ...change, gain: -0.2, low: -0.6, high: 0.1 }, car, 'metric'))).toBe(
      'costs about 0.2 m (−0.1 to 0.6, 9 in 10)',
    );
    expect(plainly(formatGain({ ...change, gain: -0.02, low: -0.4, high: 0.3 }, car, 'metric'))).toBe(
      'hardly changes the distance (−0.4 to 0.3 m, 9 in 10)',
    );
    const quick = { ...car, aim: { ...car.aim, kind: 'quickest-to', distance: 6 } as typeof car.aim };
    expect(plainly(formatGain(change, quick, 'metric'))).toMatch(/^quicker by 1\.4 s/);
  });
  it('says which end to move, and of which floor; and of runs how they were wound and what ran', () => {
    const told = {
      curvature: 0.02,
      low: 0.01,
      high: 0.03,
      ofFloor: 0.01,
      drift: 0.4,
      distance: 6,
      within: 0.001,
      moves: [{ axle: 'drive', end: 'right', direction: 'back', distance: 0.004 }],
    } as const;
    const [seen, move, floor] = describeAlignment(told, 'metric').map(plainly);
    expect(seen).toBe('It drifts 0.40 m to the right in 6.00 m.');
    expect(move).toBe('Move one of these: the right end of the drive axle 4 mm back (± 1 mm).');
    expect(floor).toContain('to the right on the way out');
    expect(describeAlignment({ ...told, moves: [] }, 'metric')[0]).toContain('do not move an axle yet');
    expect(
      describeRunGroup({ design: newCar('x'), wind: { kind: 'turns', turns: 8 }, direction: 'out', faults: [] }, () => '“long lever”'),
    ).toBe('8 turns, out, “long lever”');
  });
});
