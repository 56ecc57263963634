import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newCar, woundByFeel } from '../car/new-car.ts';
import { guessPlaces, readRunLines, RUN_COLUMNS, runKey, runTable, type RunColumn, type TableRun } from './run-table.ts';

const BEGUN = Date.UTC(2026, 10, 21, 18);
const places = guessPlaces(['Date', 'Turns wound', 'Distance (m)', 'Time', 'Remarks']);
const one = (...cells: string[]) => readRunLines([cells], places, BEGUN)[0]!;

describe('a table of runs', () => {
  it('is read again as it was written', () => {
    const run = fc.record(
      {
        ranAt: fc.date({ min: new Date(0), max: new Date(4e12), noInvalidDate: true }).map((date) => date.toISOString()),
        wind: fc.oneof(
          fc.constant({ kind: 'full' as const }),
          fc.integer({ min: 1, max: 99 }).map((half) => ({ kind: 'turns' as const, turns: half / 2 })),
        ),
        outcome: fc
          .record({
            kind: fc.constantFrom('stopped' as const, 'hit-wall' as const),
            distance: fc.integer({ min: 0, max: 9999 }).map((cm) => cm / 100),
            by: fc.constantFrom('mark' as const, 'side' as const, undefined),
          })
          .map(({ by, ...outcome }) => (outcome.kind === 'hit-wall' && by ? { ...outcome, by } : outcome)),
        time: fc.integer({ min: 10, max: 6000 }).map((tenths) => tenths / 10),
        turnsLeft: fc.option(
          fc.integer({ min: 0, max: 40 }).map((half) => half / 2),
          { nil: undefined },
        ),
        seen: fc.constantFrom<TableRun['seen'][]>([], ['spun'], ['rubbed', 'broke'], ['backwards', 'hopped']),
        drift: fc.integer({ min: -300, max: 300 }).map((cm) => cm / 100),
        direction: fc.constantFrom('out' as const, 'back' as const),
        spunFor: fc.integer({ min: 0, max: 300 }).map((cm) => cm / 100),
        splits: fc.array(
          fc.record({
            at: fc.integer({ min: 1, max: 999 }).map((cm) => cm / 100),
            time: fc.integer({ min: 1, max: 999 }).map((s) => s / 100),
          }),
          { minLength: 1, maxLength: 3 },
        ),
        stretched: fc.boolean(),
        inOnePiece: fc.boolean(),
        measuredBy: fc.constantFrom('tape' as const, 'marks' as const, 'from-wall' as const),
        leftOut: fc.constant(true as const),
        photo: fc.uuid(),
        note: fc.constantFrom('', 'grippy, new tyres', 'x; "y"'),
      },
      { requiredKeys: ['ranAt', 'wind', 'outcome', 'seen', 'note'] },
    );
    fc.assert(
      fc.property(fc.array(run as fc.Arbitrary<TableRun>, { minLength: 1, maxLength: 5 }), (runs) => {
        const [headings, ...rows] = runTable(runs);
        const whole = guessPlaces(headings!);
        expect(whole).toEqual(Object.fromEntries((Object.keys(RUN_COLUMNS) as RunColumn[]).map((column, i) => [column, i])));
        expect(readRunLines(rows, whole, BEGUN).map(({ run: read }) => read)).toEqual(runs);
      }),
    );
  });
  it('finds its columns by their names, in any letters', () =>
    expect(places).toEqual({ ranAt: 0, turns: 1, distance: 2, time: 3, seen: 4 }));
  it('takes numbers as people type them: decimal commas, feet, a full wind left out', () => {
    expect(one('2026-11-21', '12,5', '8,40', '21', '').run).toMatchObject({
      ranAt: '2026-11-21T12:00:00.000Z',
      wind: { kind: 'turns', turns: 12.5 },
      outcome: { kind: 'stopped', distance: 8.4 },
      time: 21,
    });
    expect(one('', '', '10 ft', '', '').run).toMatchObject({
      ranAt: new Date(BEGUN).toISOString(),
      wind: { kind: 'full' },
      outcome: { distance: 3.048 },
    });
  });
  it('tells a full winding by feel from a counted one, there and back', () => {
    const counted = newCar('x', 'band');
    const run: TableRun = {
      ranAt: '2026-11-21T12:00:00.000Z',
      wind: { kind: 'full' },
      outcome: { kind: 'stopped', distance: 8 },
      seen: [],
      note: '',
    };
    const [headings, ...rows] = runTable([{ ...run, design: woundByFeel(counted) }, { ...run, design: counted }, run]);
    const turns = headings!.indexOf('turns');
    expect(rows.map((row) => row[turns])).toEqual(['until tight', 'full', 'full']);
    const read = readRunLines(rows, guessPlaces(headings!), BEGUN);
    expect(read.map(({ isByFeel }) => isByFeel)).toEqual([true, false, false]);
    expect(read.map((line) => line.run)).toEqual([run, run, run]);
  });
  it('has a column for all that a run may tell: one that is left out, or spun, comes back so', () => {
    const { properties } = JSON.parse(readFileSync('schemas/run-record.schema.json', 'utf8')) as { properties: Record<string, unknown> };
    const elsewhere = ['format', 'version', 'design', 'carVersion', 'session'];
    const told = Object.keys(properties).filter((key) => !elsewhere.includes(key));
    const columns = Object.keys(RUN_COLUMNS).map((column) => (column === 'turns' ? 'wind' : column));
    expect(told.filter((key) => !columns.includes(key))).toEqual([]);
    const compared = guessPlaces(['distance m', 'on another floor']);
    const [further, unclear] = readRunLines(
      [
        ['8', 'further short-carpet'],
        ['8', 'further ice'],
      ],
      compared,
      BEGUN,
    );
    expect(further!.run!.elsewhere).toEqual({ floor: 'short-carpet', goes: 'further' });
    expect(RUN_COLUMNS.elsewhere.write(further!.run!)).toBe('further short-carpet');
    expect(unclear!.faults).toMatchObject([{ column: 'elsewhere', message: expect.stringContaining('further short-carpet') as string }]);
    const filmed = guessPlaces(['distance m', 'splits m:s', 'film, ± s']);
    const row = ['8', '0.5:0.9±0.004 1:1.3±0.005', 'start 0.006 slip 0.12±0.03'];
    const [by, wrong] = readRunLines([row, ['8', '', 'a phone']], filmed, BEGUN);
    expect(by!.run).toMatchObject({ film: { startDeviation: 0.006, slip: { ratio: 0.12, deviation: 0.03 } } });
    expect([RUN_COLUMNS.splits.write(by!.run!), RUN_COLUMNS.film.write(by!.run!)]).toEqual(row.slice(1));
    expect(wrong!.faults).toMatchObject([{ column: 'film', message: expect.stringContaining('start 0.006') as string }]);
    const whole = guessPlaces(['outcome', 'distance m', 'left out', 'splits m:s']);
    expect(readRunLines([['did not start', '', 'yes', '']], whole, BEGUN)[0]!.run).toMatchObject({
      outcome: { kind: 'stopped', distance: 0 },
      leftOut: true,
    });
    expect(readRunLines([['', '8', 'perhaps', '2-1.3']], whole, BEGUN)[0]!.faults.map(({ column }) => column)).toEqual([
      'leftOut',
      'splits',
    ]);
  });
  it.each<[string[], RunColumn, RegExp]>([
    [['', '', '', '', ''], 'distance', /needs a distance/],
    [['', '', 'far', '', ''], 'distance', /not a number/],
    [['', '', '2000', '', ''], 'distance', /0 to 1000/],
    [['yesterday', '', '8', '', ''], 'ranAt', /2026-11-21/],
    [['', '-3', '8', '', ''], 'turns', /0.1 to 10000/],
    [['', '', '8', 'x', ''], 'time', /“x”/],
    [['', '', '8', '', 'flew'], 'seen', /“flew” is none of/],
  ])('%j is told at its line and column', (cells, column, message) => {
    const { line, run, faults } = one(...cells);
    expect([line, run]).toEqual([2, null]);
    expect(faults).toEqual([{ column, message: expect.stringMatching(message) }]);
  });
  it('tells one run of another by when, wind and outcome alone', () => {
    const { run } = one('2026-11-21 18:05', '', '8', '', '');
    expect(runKey(run!)).toBe(runKey({ ...run!, note: 'another word' } as TableRun));
    expect(runKey(run!)).not.toBe(runKey({ ...run!, outcome: { kind: 'hit-wall', distance: 8 } }));
  });
});
