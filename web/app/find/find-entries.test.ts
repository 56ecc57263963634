import { describe, expect, it } from 'vitest';
import type { MotorKind } from '../../../core/car/car-design.ts';
import { newCar } from '../../../core/car/new-car.ts';
import { entriesFound, findEntries } from './find-entries.ts';

/** Where the first few that are found lead, as `station: label`. */
const found = (sought: string, kind: MotorKind = 'lever'): string[] =>
  entriesFound(findEntries('5ce44000-0000-4000-8000-000000000001', newCar('x', kind)), sought).map(
    ({ station, label }) => `${station}: ${label}`,
  );

describe('finding', () => {
  it.each([
    ['wall', 'Design: Line to wall'],
    ['room', 'Design: Line to wall'],
    ['aim', 'Design: Goal'],
    ['goal', 'Design: Goal'],
    ['string', 'Design: String ⌀'],
    ['spacer', 'Design: End play of the axles'],
    ['end play', 'Design: End play of the axles'],
    ['width', 'Design: Body width or diameter'],
    ['lane', 'Design: Lane width'],
    ['traction', 'Design: Spool ⌀ at launch'],
    ['toe', 'Design: Other wheels point left by'],
    ['deck height', 'Design: Deck above the axles'],
    ['stopwatch', 'Track: Time a run'],
    ['did it help', 'Tune: Compare two versions'],
    ['templates', 'Build: Drawing and templates'],
    ['coasting', 'Learn: Coasting'],
    ['hysteresis', 'Glossary: hysteresis'],
    ['order of arrival', 'Meet: Meets'],
    ['backup', 'Garage: Save everything as one file'],
  ])('“%s” leads to where it is set or done: %s', (sought, to) => {
    expect(found(sought)).toContain(to);
  });
  it.each([
    ['peg', 'Design: Hook above the drive axle'],
    ['tubing', 'Design: Bands'],
    ['drill', 'Design: Wound by'],
    ['tight', 'Design: Full wind'],
  ])('“%s” on a car with bands: %s', (sought, to) => {
    expect(found(sought, 'band')).toContain(to);
  });
  it('begins with what is called so, and matches words from their beginning', () => {
    expect(found('wall')[0]).toBe('Design: Line to wall');
    // “swallowed” is no wall.
    expect(found('wall')).not.toContain('Design: Bearing');
    expect(found('no such thing')).toEqual([]);
  });
  it('without a car finds what needs none', () => {
    const stations = new Set(findEntries(null, null).map(({ station }) => station));
    expect([...stations].sort()).toEqual(['Brief', 'Garage', 'Meet', 'Race']);
  });
});
