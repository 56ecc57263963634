import { describe, expect, it } from 'vitest';
import { versionsThatFit } from './version-lines.ts';

const version = (id: string, parent: string | null, carId = 'car') => ({ id, carId, content: { parent } });
const nothingStored = () => [];
const fitting = (...versions: ReturnType<typeof version>[]): string[] => [...versionsThatFit(versions, nothingStored)].sort();

describe('versions that have a place', () => {
  it('grew from none, or from one before or after them in the list', () =>
    expect(fitting(version('c', 'b'), version('b', 'a'), version('a', null), version('d', 'a'))).toEqual(['a', 'b', 'c', 'd']));
  it('are not those of a line whose first is missing, is of another car, or that goes round', () => {
    expect(fitting(version('c', 'b'), version('b', 'nowhere'), version('a', null))).toEqual(['a']);
    expect(fitting(version('b', 'a'), version('a', null, 'other'))).toEqual(['a']);
    expect(fitting(version('a', 'c'), version('b', 'a'), version('c', 'b'), version('d', 'c'))).toEqual([]);
  });
  it('may grow from one that is stored, unless that grew from them', () => {
    const lineOf = (id: string) => (id === 'stored' ? ['stored', 'first'] : []);
    expect([...versionsThatFit([version('a', 'stored')], lineOf)]).toEqual(['a']);
    expect([...versionsThatFit([version('first', 'stored')], lineOf)]).toEqual([]);
  });
  it('are found among 20,000 in a line from the last to the first, each asked for once', () => {
    let asked = 0;
    const line = Array.from({ length: 20_000 }, (_, i) => version(String(i), i === 0 ? 'stored' : String(i - 1))).reverse();
    const found = versionsThatFit(line, () => {
      asked++;
      return ['stored'];
    });
    expect([found.size, asked]).toEqual([20_000, 1]);
  });
});
