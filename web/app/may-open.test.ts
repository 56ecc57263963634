import { describe, expect, it } from 'vitest';
import type { Joined } from '../../core/schema/sharing.ts';
import { mayOpen, stationAt } from './use-role.ts';

const CAR = '5ce44000-0000-4000-8000-000000000001';
const hall = (role: 'crew' | 'official' | 'board'): Joined => ({ role, carId: CAR, entry: null });
const crew: Joined = { role: 'class-crew', classId: 'a', crewId: 'b' };

describe('pages', () => {
  it.each([
    [hall('crew'), `/cars/${CAR}/track/film`, true],
    [hall('crew'), '/cars/5ce44000-0000-4000-8000-000000000002/track', false],
    [hall('crew'), `/cars/${CAR}/design`, false],
    [hall('official'), '/cars/5ce44000-0000-4000-8000-000000000002/track', true],
    [hall('official'), '/briefs', false],
    [hall('board'), '/meets/1/board', true],
    [hall('board'), `/cars/${CAR}/learn`, false],
    [crew, `/cars/${CAR}/design`, true],
    [crew, '/', true],
    [crew, '/classes/1', false],
  ])('%j opens %s: %s', (joined, path, isOpen) => expect(mayOpen(joined, path)).toBe(isOpen));
  it('that the leader of a class closed are closed to its crews', () => {
    for (const [path, station] of [
      [`/cars/${CAR}/track/sheet`, 'track'],
      ['/meets/1', 'meet'],
      ['/briefs/1', 'brief'],
      ['/learn', 'learn'],
    ] as const) {
      expect([path, stationAt(path)]).toEqual([path, station]);
      expect([mayOpen(crew, path, [station]), mayOpen(crew, path, ['build'])]).toEqual([false, true]);
    }
    expect(mayOpen(crew, '/', ['track', 'meet'])).toBe(true);
  });
});
