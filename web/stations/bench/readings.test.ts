import { describe, expect, it } from 'vitest';
import { makeEstimate } from '../../../core/bench/estimate.ts';
import { newCar } from '../../../core/car/new-car.ts';
import { resultLine } from './describe-result.ts';
import { NO_READINGS, readTyped } from './readings.ts';

const design = newCar('Tern');
const rows = (...list: Readonly<Record<string, string>>[]) => ({ ...NO_READINGS, rows: list });

describe('readings as people type them', () => {
  it('are nothing until there are enough; a row that is half typed waits', () => {
    expect(readTyped('lever-pull', design, NO_READINGS, 'metric').kind).toBe('none');
    expect(readTyped('lever-pull', design, rows({ angle: '20' }), 'metric')).toMatchObject({
      kind: 'few',
      message: expect.stringMatching(/^3 readings more/),
    });
    expect(readTyped('lever-pull', design, rows({ angle: '20', force: '3' }, { angle: '60', force: '4' }), 'metric').kind).toBe('few');
  });
  it('are read in the units that stand above them, or in those that are typed', () => {
    const typed = rows({ angle: '0', force: '4' }, { angle: '57,2958', force: '6 N' }, { angle: '114.5916', force: '8' });
    const read = readTyped('lever-pull', design, { ...typed, once: { reach: '2 in' } }, 'metric');
    if (read.kind !== 'read') throw new Error(JSON.stringify(read));
    // 4, 6, 8 N at 0, 1, 2 rad on an arm of 50.8 mm.
    expect(read.result.values.springPreload!.value).toBeCloseTo(4 * 0.0508, 5);
    expect(read.result.values.springRate!.value).toBeCloseTo(2 * 0.0508, 5);
  });
  it('say which one cannot be read, and where', () => {
    const read = readTyped('roll-out', design, rows({ turns: '5', length: 'far' }), 'metric');
    expect(read).toMatchObject({ kind: 'wrong', message: expect.stringContaining('distance, row 1') });
  });
  it('of a scale under either axle need not be as many', () => {
    const read = readTyped('weights', design, rows({ drive: '90', other: '75' }, { drive: '91' }), 'metric');
    expect(read.kind === 'read' && read.result.values.mass!.value).toBeCloseTo(0.1655, 6);
  });
});

describe('what they come to', () => {
  it('is told no finer than it is known, and whether that is good enough', () => {
    const line = resultLine('bearingFriction', makeEstimate(0.18647, 0.00731));
    expect(line).toMatchObject({ figure: '0.19 ± 0.01', good: 'good enough for now' });
    expect(resultLine('mass', makeEstimate(0.1684, 0.0004)).figure).toBe('168.4 ± 0.7 g');
    expect(resultLine('mass', makeEstimate(0.1684, 0.1)).good).toContain('poorly determined');
  });
});
