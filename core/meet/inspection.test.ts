import { describe, expect, it } from 'vitest';
import { NO_RULES } from '../brief/new-brief.ts';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { type Format, formatIn, plainly } from '../units/quantity.ts';
import { inspectionOf } from './inspection.ts';
import type { Entry } from './meet.ts';
import { newEntry } from './new-meet.ts';

describe('an inspection', () => {
  const rules = { ...NO_RULES, length: 0.3, mass: 0.2, drives: ['lever' as const], budget: 'nothing' };
  const format: Format = plainly(formatIn('metric'));
  const inspected = (entry: Partial<Entry>, design: CarDesign | null = null) =>
    Object.fromEntries(
      inspectionOf(newEntry({ id: '00000000-0000-4000-8000-000000000001', crew: 'c', car: 'x', ...entry }), rules, design, format).map(
        ({ key, verdict, words }) => [key, [verdict, words]],
      ),
    );
  const measured = { length: 0.31, width: null, height: null, mass: 0.2, bands: null };
  it('goes by what was measured, tells what would pass, and leaves open what nobody measured or looked at', () => {
    expect(inspected({ measured })).toMatchObject({
      length: ['broken', 'length 310 mm: at most 300 mm would pass'],
      mass: ['kept', 'weight 200 g: 200 g allowed'],
      drives: ['open', 'Driven by a snap trap and a lever.'],
      budget: ['open', 'It may cost nothing.'],
    });
    expect(inspected({})).toMatchObject({ length: ['open', 'length: at most 300 mm; measure it'] });
  });
  it('asks a least size as it was measured, and further rules by hand', () => {
    const least = { ...NO_RULES, least: { length: 0.2, mass: 0.1 }, forbidden: ['sticky tack'], more: ['Crews wear their colours'] };
    const told = (measured: Partial<Entry['measured']>, seen: readonly string[] = []) =>
      inspectionOf(
        newEntry({
          id: '00000000-0000-4000-8000-000000000001',
          crew: 'c',
          car: 'x',
          measured: { length: null, width: null, height: null, mass: null, bands: null, ...measured },
          seen: [...seen],
        }),
        least,
        null,
        format,
      );
    expect(told({ length: 0.199, mass: 0.1 })).toEqual([
      { key: 'least.length', verdict: 'broken', words: 'length 199 mm: at least 200 mm would pass', byHand: false },
      { key: 'least.mass', verdict: 'kept', words: 'weight 100 g: at least 100 g asked', byHand: false },
      { key: 'forbidden', verdict: 'open', words: 'Not allowed: sticky tack.', byHand: true },
      { key: 'more.0', verdict: 'open', words: 'Crews wear their colours.', byHand: true },
    ]);
    expect(told({})[0]).toEqual({ key: 'least.length', verdict: 'open', words: 'length: at least 200 mm; measure it', byHand: false });
    expect(told({}, ['more.0'])[3]).toMatchObject({ verdict: 'kept', byHand: true });
  });
  it('judges kinds of parts by the design where it is known, until somebody who looked ticks them', () => {
    expect(inspected({}, newCar('x', 'lever')).drives![0]).toBe('kept');
    const band = newCar('x', 'band');
    expect(inspected({}, band).drives).toEqual(['broken', expect.stringContaining('this would pass: Driven by')]);
    expect(inspected({ seen: ['drives'] }, band).drives![0]).toBe('kept');
    expect(inspected({}, band).length![1]).toMatch(/as drawn; measure it$/);
  });
});
