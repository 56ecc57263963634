import { describe, expect, it } from 'vitest';
import type { RunRecord } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { standingWeight } from '../car/weights.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { classData } from './class-data.ts';

const run = (car: string, ranAt: string, more: Partial<RunRecord> = {}) => ({
  car,
  record: {
    format: 'nimble-axle/run',
    version: 1,
    design: newCar(car, car === 'Tern' ? 'band' : 'lever'),
    ranAt,
    wind: { kind: 'full' },
    outcome: { kind: 'stopped', distance: 8.4 },
    seen: [],
    note: '',
    ...more,
  } as RunRecord,
});

describe('the runs of a class', () => {
  it('are a table in the order they were made: what was chosen, what was measured, what the model had said', () => {
    const [head, ...rows] = classData([
      run('Limpet', '2026-11-21T18:05:00.000Z', { outcome: { kind: 'hit-wall', distance: 18.5 }, time: 7.2 }),
      run('Tern', '2026-11-21T18:00:00.000Z', { wind: { kind: 'turns', turns: 3 } }),
    ]);
    const [tern, limpet] = rows.map((row) => Object.fromEntries(row.map((cell, i) => [head![i]!, cell])));
    expect(tern).toMatchObject({ car: 'Tern', turns: '3', 'distance m': '8.4', 'at least': 'no', 'time s': '', 'lever mm': '' });
    expect(limpet).toMatchObject({ car: 'Limpet', 'distance m': '18.5', 'at least': 'yes', 'time s': '7.2' });
    const lever = newCar('Limpet', 'lever');
    expect(Number(limpet!['lever mm'])).toBeCloseTo(1000 * (lever.motor as { leverLength: number }).leverLength, 1);
    expect(Number(limpet!['axle mm'])).toBeCloseTo(1000 * lever.axleDiameter, 1);
    expect(Number(limpet!['drive wheels mm'])).toBeCloseTo(1000 * lever.driveWheels.diameter, 1);
    expect(Number(limpet!['weight g'])).toBeCloseTo(1000 * standingWeight(lever).mass, 0);
    expect(Number(limpet!['turns'])).toBeCloseTo(fullTurns(lever), 1);
    expect([tern!['bands side by side'], limpet!['bands side by side']]).toEqual([expect.stringMatching(/^\d+$/), '']);
    for (const row of [tern!, limpet!]) expect(Number(row['model m'])).toBeGreaterThan(0);
    expect(rows.every((row) => row.length === head!.length)).toBe(true);
  });
});
