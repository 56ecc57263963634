import { describe, expect, it, vi } from 'vitest';
import { readRunForm, windOf } from './read-run-form.ts';
import { outcomeWords, windWords } from './run-words.ts';
import { emptyForm, formChanged, formCleared, keepTrackForms, trackReducer, type TrackForm } from './track-slice.ts';

const form = (change: Partial<TrackForm>): TrackForm => ({ ...emptyForm, ...change });
const readOf = (change: Partial<TrackForm>, units: 'metric' | 'inch' = 'metric') => readRunForm(form(change), units);

describe('a run being logged', () => {
  it('is read as it was typed, in the units that are shown', () => {
    expect(readOf({ distance: '12 m 40 cm', time: '21,5' })).toEqual({
      run: { wind: { kind: 'full' }, outcome: { kind: 'stopped', distance: 12.4 }, time: 21.5 },
    });
    const walled = readOf({ distance: '35', outcome: 'hit-wall', wind: 'turns', turns: '12 1/2' }, 'inch');
    expect(walled).toMatchObject({ run: { wind: { kind: 'turns', turns: 12.5 }, outcome: { kind: 'hit-wall' } } });
    expect('run' in walled && walled.run.outcome.distance).toBeCloseTo(35 * 0.3048, 12);
  });
  it('need not be timed', () =>
    expect(readOf({ distance: '8' })).toEqual({ run: expect.not.objectContaining({ time: expect.anything() }) }));
  it.each<[Partial<TrackForm>, Record<string, RegExp>]>([
    [{ distance: '' }, { distance: /Type a number/ }],
    [{ distance: 'far' }, { distance: /“far” is not a number/ }],
    [{ distance: '2000 m' }, { distance: /Must be 0 to 1000 m/ }],
    [{ distance: '8', time: '0' }, { time: /Must be 0.1 to 3600 s/ }],
    [{ distance: '8', wind: 'turns', turns: '-3' }, { turns: /Must be 0.1 to 10000/ }],
    [
      { distance: 'x', time: 'y', wind: 'turns', turns: 'z' },
      { distance: /“x”/, time: /“y”/, turns: /“z”/ },
    ],
  ])('%o is answered at the fields that are wrong, and no others', (change, messages) => {
    const read = readOf(change);
    if ('run' in read) throw new Error('taken');
    expect(Object.keys(read.faults).sort()).toEqual(Object.keys(messages).sort());
    for (const [field, message] of Object.entries(messages)) expect(read.faults[field as 'time']).toMatch(message);
  });
  it('is told in words: a wall hit is at least', () => {
    expect(windWords(windOf(form({ wind: 'turns', turns: '12' }), 'metric') as never)).toBe('12 turns');
    expect(windWords({ kind: 'full' })).toBe('fully wound');
    expect(outcomeWords({ kind: 'hit-wall', distance: 18.5 }, 'metric').replaceAll('\u00a0', ' ')).toBe('at least 18.50 m');
    expect(outcomeWords({ kind: 'stopped', distance: 18.5 }, 'inch').replaceAll('\u00a0', ' ')).toBe('60.7 ft');
  });
});

describe('what stands in the form', () => {
  it('is a form of its own for each car, and after a run is wound as before', () => {
    const typed = [
      formChanged({ carId: 'a', change: { wind: 'turns', turns: '12', distance: '8' } }),
      formChanged({ carId: 'b', change: { distance: '5' } }),
      formChanged({ carId: 'a', change: { note: 'grippy' } }),
    ].reduce(trackReducer, {});
    expect(typed.a).toMatchObject({ turns: '12', distance: '8', note: 'grippy' });
    expect(trackReducer(typed, formCleared('a'))).toEqual({
      a: { ...emptyForm, wind: 'turns', turns: '12' },
      b: { ...emptyForm, distance: '5' },
    });
  });
  it('is kept in the browser, and begins anew where that cannot be read', () => {
    const kitchen = new Map<string, string>();
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kitchen.get(key) ?? null,
      setItem: (key: string, text: string) => void kitchen.set(key, text),
    });
    keepTrackForms({ a: form({ distance: '8' }) });
    const reopened = () => trackReducer(undefined, { type: 'begun' });
    expect(reopened().a).toMatchObject({ distance: '8' });
    // A form from an older program, with keys missing, is filled up.
    for (const key of kitchen.keys()) kitchen.set(key, '{"a":{"note":"old"}}');
    expect(reopened().a).toEqual(form({ note: 'old' }));
    for (const key of kitchen.keys()) kitchen.set(key, '{');
    expect(reopened()).toEqual({});
    vi.unstubAllGlobals();
  });
});
