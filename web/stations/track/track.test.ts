import { describe, expect, it, vi } from 'vitest';
import { beyondWall, formOf, readRunForm, windOf, type MeasuredRun } from './read-run-form.ts';
import { NOT_BEGUN, watchReducer, type Watch, type WatchAction } from '../../devices/use-watch.ts';
import { describeDeviation, describeDetails, describeEnd, formatOutcome, formatWinding } from './describe-run.ts';
import { formatIn, plainly } from '../../../core/units/quantity.ts';
import { noStartOf, seenOfNoStart } from './no-start.ts';
import { emptyForm, formChanged, formCleared, storeTrackForms, trackReducer, type TrackForm } from './track-slice.ts';

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
  it('passed its mark or was stopped at the side: at least so far; and is corrected as it was logged', () => {
    const passed = readOf({ distance: '5', outcome: 'hit-wall', endedBy: 'mark' });
    expect(passed).toMatchObject({ run: { outcome: { kind: 'hit-wall', distance: 5, by: 'mark' } } });
    if (!('run' in passed)) throw new Error('refused');
    const again = formOf(
      { ...passed.run, format: 'nimble-axle/run-record', version: 1, ranAt: '', seen: [], note: '' },
      plainly(formatIn('metric')),
    );
    expect(again).toMatchObject({ outcome: 'hit-wall', endedBy: 'mark' });
    expect(readOf({ distance: '5', endedBy: 'mark' })).toMatchObject({ run: { outcome: { kind: 'stopped', distance: 5 } } });
  });
  it('that did not start says what it did instead, beside all else that was seen', () => {
    expect(seenOfNoStart(['rubbed', 'spun'], 'backwards')).toEqual(['rubbed', 'backwards']);
    expect(seenOfNoStart(['rubbed', 'spun'], 'stayed')).toEqual(['rubbed']);
    expect([noStartOf([]), noStartOf(['spun']), noStartOf(['rubbed', 'backwards'])]).toEqual(['stayed', 'spun', 'backwards']);
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
    expect(formatWinding(windOf(form({ wind: 'turns', turns: '12' }), 'metric') as never)).toBe('12 turns');
    expect(formatWinding({ kind: 'full' })).toBe('fully wound');
    expect(describeEnd({ kind: 'hit-wall', distance: 5, by: 'mark' })).toBe('passed the mark');
    expect(describeEnd({ kind: 'stopped', distance: 5 })).toBe('');
    expect(formatOutcome({ kind: 'hit-wall', distance: 18.5 }, 'metric').replaceAll('\u00a0', ' ')).toBe('at least 18.50 m');
    expect(formatOutcome({ kind: 'stopped', distance: 18.5 }, 'inch').replaceAll('\u00a0', ' ')).toBe('60.7 ft');
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
    storeTrackForms({ a: form({ distance: '8' }) });
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

describe('a distance', () => {
  const place = { spacing: 0.5, room: 18.5 };
  const measured = (change: Partial<TrackForm>) => readRunForm(form(change), 'metric', place);
  it('is counted by marks, or taken from the wall', () => {
    expect(measured({ measuredBy: 'marks', marks: '16', distance: '0.2' })).toMatchObject({
      run: { outcome: { distance: 8.2 }, measuredBy: 'marks' },
    });
    expect(measured({ measuredBy: 'marks', marks: '16' })).toMatchObject({ run: { outcome: { distance: 8 } } });
    expect(measured({ measuredBy: 'from-wall', distance: '2.5' })).toMatchObject({ run: { outcome: { distance: 16 } } });
  });
  it('beyond the wall is asked about, and what a tape gives is not', () => {
    const asked = (distance: string, room: number | null = 18.5) =>
      beyondWall((measured({ distance }) as { run: MeasuredRun }).run, room, (metres) => `${metres} m`);
    expect(asked('21')).toBe('The wall is 18.5 m from the line. Correct this, or log it again if it did come so far.');
    expect([asked('18.54'), asked('21', null)]).toEqual([null, null]);
  });
  it('may be compared with another floor', () => {
    const { run } = measured({ distance: '8', elsewhere: 'short-carpet', goes: 'less-far' }) as { run: MeasuredRun };
    expect(run.elsewhere).toEqual({ floor: 'short-carpet', goes: 'less-far' });
    expect((measured({ distance: '8' }) as { run: MeasuredRun }).run.elsewhere).toBeUndefined();
  });
  it('says what is missing where it cannot be told', () => {
    expect(measured({ measuredBy: 'from-wall', distance: '20' })).toMatchObject({
      faults: { distance: expect.stringContaining('18.5 m') },
    });
    expect(readRunForm(form({ measuredBy: 'from-wall', distance: '2' }), 'metric')).toMatchObject({
      faults: { distance: expect.stringContaining('no wall') },
    });
    expect(readRunForm(form({ measuredBy: 'marks', marks: '3' }), 'metric')).toMatchObject({
      faults: { marks: expect.stringContaining('session') },
    });
  });
  it('comes with drift to its side, wheelspin, direction and pieces where these were told', () => {
    const { run } = measured({
      distance: '8',
      drift: '0,4',
      driftSide: 'left',
      spunFor: '0.3',
      direction: 'back',
      inOnePiece: 'no',
      stretched: true,
    }) as {
      run: object;
    };
    expect(run).toMatchObject({ drift: -0.4, spunFor: 0.3, direction: 'back', inOnePiece: false, stretched: true });
    expect(measured({ distance: '8', drift: 'x', spunFor: 'y' })).toMatchObject({ faults: { drift: /“x”/, spunFor: /“y”/ } as object });
  });
  it('stands in the form as it was when it is corrected', () => {
    const typed = form({
      distance: '8',
      drift: '0.4',
      driftSide: 'right',
      time: '12',
      direction: 'out',
      inOnePiece: 'yes',
      wind: 'turns',
      turns: '9',
    });
    const { run } = readRunForm(typed, 'metric') as { run: Parameters<typeof formOf>[0] };
    const again = { ...emptyForm, ...formOf({ ...run, seen: [], note: '' } as Parameters<typeof formOf>[0], (value) => String(value)) };
    expect(readRunForm(again, 'metric')).toEqual({ run });
  });
  it('is told in words with what was seen, and against what was expected', () => {
    const words = describeDetails(
      { drift: -0.4, splits: [{ at: 6, time: 3.1 }], direction: 'back', inOnePiece: true } as never,
      'metric',
    ).join(' · ');
    expect(words.replaceAll('\u00a0', ' ')).toBe('back · 0.40 m to the left · 6.00 m in 3.1 s · stayed in one piece');
    expect(describeDeviation({ apart: -1.4, of: 'prediction', luck: 'within' }, 'metric')).toMatch(/short of predicted: within luck/);
    expect(describeDeviation({ apart: 2, of: 'runs', luck: 'beyond' }, 'metric')).toMatch(
      /beyond the runs before it: more than luck explains/,
    );
    expect(describeDeviation({ apart: -9, of: 'runs', luck: 'wall' }, 'metric')).toMatch(/would have gone further/);
  });
});

describe('the watch', () => {
  const at = (now: number): WatchAction => ({ kind: 'press', now, marks: 2 });
  const after = (...actions: WatchAction[]): Watch => actions.reduce(watchReducer, NOT_BEGUN);
  it('starts, takes the time at each mark, and stops', () =>
    expect(after(at(100), at(1100), at(2100), at(5100))).toEqual({ startedAt: 100, presses: [1000, 2000], stoppedAt: 5000 }));
  it('can be stopped before the last mark, and does not start again by a late press', () => {
    const stopped = after(at(100), at(1100), { kind: 'stop', now: 3100, marks: 2 });
    expect(stopped).toMatchObject({ presses: [1000], stoppedAt: 3000 });
    expect(watchReducer(stopped, at(9999))).toBe(stopped);
  });
  it('takes a slip back, step by step, to before it began', () => {
    const back: WatchAction = { kind: 'back' };
    expect(after(at(100), at(1100), at(2100), at(5100), back)).toMatchObject({ presses: [1000, 2000], stoppedAt: null });
    expect(after(at(100), at(1100), back)).toMatchObject({ startedAt: 100, presses: [] });
    expect(after(at(100), back)).toEqual(NOT_BEGUN);
    expect(after(at(100), at(1100), { kind: 'reset' })).toEqual(NOT_BEGUN);
  });
});
