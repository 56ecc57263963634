import { describe, expect, it } from 'vitest';
import type { CrewReport } from '../schema/generated/crew-report.ts';
import { byNeed, needOf, stageOf } from './crew-progress.ts';

const counts = { hasJoined: false, cars: 0, edits: 0, versions: 0, runs: 0, designsRun: 0 };
const report = (surprise: number | null): CrewReport => ({
  carId: '',
  carVersion: 1,
  chance: null,
  round: null,
  broken: [],
  isBuilt: false,
  surprise,
});
const now = new Date('2026-12-01T10:00:00Z');
const crew = (minutes: number | null, devices = 1, surprise: number | null = null) => ({
  devices,
  savedAt: minutes === null ? null : new Date(now.getTime() - minutes * 60_000).toISOString(),
  report: report(surprise),
});

describe('how far a crew has come', () => {
  it.each([
    ['not begun', {}, false],
    ['brief', { hasJoined: true }, false],
    ['brief', { hasJoined: true, cars: 1 }, false],
    ['design', { hasJoined: true, cars: 1, edits: 1 }, false],
    ['built', { hasJoined: true, cars: 1, edits: 1 }, true],
    ['runs', { cars: 1, runs: 3, designsRun: 1 }, true],
    ['tuned', { cars: 1, runs: 4, designsRun: 2 }, true],
  ])('is %s', (stage, part, isBuilt) => expect(stageOf({ ...counts, ...part }, { isBuilt })).toBe(stage));
});

describe('who needs help', () => {
  it('is there and has saved nothing for ten minutes; who is away is not stuck', () => {
    expect(needOf(crew(9), now)).toBeNull();
    expect(needOf(crew(10), now)).toEqual({ kind: 'stuck', minutes: 10 });
    expect(needOf(crew(60, 0), now)).toBeNull();
    expect(needOf(crew(null), now)).toBeNull();
  });
  it('was surprised by two standard deviations, either way', () => {
    expect(needOf(crew(1, 1, -1.99), now)).toBeNull();
    expect(needOf(crew(1, 1, -2), now)).toEqual({ kind: 'surprised', deviations: -2 });
    expect(needOf(crew(1, 0, 2.4), now)).toEqual({ kind: 'surprised', deviations: 2.4 });
  });
  it('comes first: who is stuck longest, then who was surprised most', () => {
    const crews = [crew(1), crew(1, 1, 2.1), crew(12), crew(1, 1, -5), crew(30)];
    expect(byNeed(crews, now)).toEqual([crews[4], crews[2], crews[3], crews[1], crews[0]]);
  });
});
