import { describe, expect, it } from 'vitest';
import { raceAddress, readSource, writeSource, type RaceSource } from './race-address.ts';

describe('what races, in an address', () => {
  it.each<RaceSource>([
    { kind: 'car', carId: 'a' },
    { kind: 'version', carId: 'a', id: 'b' },
    { kind: 'run', carId: 'a', id: 'b' },
    { kind: 'model', carId: 'a', id: 'b' },
    { kind: 'result', meetId: 'a', id: 'b' },
  ])('is read as it was written: $kind', (source) => expect(readSource(writeSource(source))).toEqual(source));
  it('is nothing where it was written otherwise', () => {
    expect(['', 'a~x~b', 'a~v', 'a~v~'].map(readSource)).toEqual([null, null, null, null]);
    expect(
      raceAddress([
        { kind: 'car', carId: 'a' },
        { kind: 'version', carId: 'a', id: 'b' },
      ]),
    ).toBe('/race?cars=a,a~v~b');
  });
});
