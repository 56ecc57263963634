import { describe, expect, it } from 'vitest';
import { distanceOf, standingResults } from './meet.ts';
import { idOf, meetOf, ran, result, round, standing } from './reference/made-meets.ts';
import { standingsTable } from './standings-table.ts';

describe('results', () => {
  it('are corrected by others that name them; the last stands, and what stood before is kept; taken back it stands no more', () => {
    const first = result(0, 0, { distance: 8 });
    const second = result(0, 0, { distance: 9 }, { corrects: first.id, why: 'tape slipped' });
    const third = result(0, 0, { kind: 'void' }, { corrects: second.id, why: 'wrong car' });
    const other = result(0, 0, { distance: 8.5 }, { corrects: first.id, why: 'read again' });
    expect(standingResults([first, second]).map(({ id, before }) => [id, before.map((one) => one.id)])).toEqual([[second.id, [first.id]]]);
    expect(standingResults([first, second, third])).toEqual([]);
    // Two officials at once: the later stands, nothing is lost; later by the server's count, whatever a phone's clock says.
    const early = { ...other, result: { ...other.result, at: '2001-01-01T00:00:00.000Z' } };
    expect(standingResults([first, second, early])[0]).toMatchObject({ id: other.id });
    expect(standingResults([other, second, first])[0]).toMatchObject({ id: other.id, before: [{ id: second.id }, { id: first.id }] });
    expect(distanceOf({ kind: 'ran', distance: 8, second: 8.4 })).toBeCloseTo(8.2, 12);
  });
  it('written down for the wrong car stand for the right one once corrected, also by a correction of that', () => {
    const first = result(0, 0, { distance: 8 });
    const moved = result(1, 0, { distance: 8 }, { corrects: first.id, why: 'wrong car' });
    const again = result(2, 0, { distance: 8 }, { corrects: moved.id, why: 'wrong again' });
    expect(standingResults([first, moved]).map(({ result: { entry } }) => entry)).toEqual([idOf(1)]);
    expect(standingResults([again, moved, first]).map(({ id, before }) => [id, before.length])).toEqual([[again.id, 2]]);
    // An archive may bring them in another order: what corrects stands before what it corrects.
    const renumbered = [first, moved, again].map((one, i) => ({ ...one, number: 10 - i }));
    expect(standingResults(renumbered).map(({ id, before }) => [id, before.map((one) => one.id)])).toEqual([
      [again.id, [moved.id, first.id]],
    ]);
    // A correction of one that is not here stands by itself; a circle ends.
    expect(standingResults([moved])).toHaveLength(1);
    const [a, b] = [result(0, 0, {}), result(0, 1, {})];
    const circle = [
      { ...a, result: { ...a.result, corrects: b.id } },
      { ...b, result: { ...b.result, corrects: a.id } },
    ];
    expect(standingResults(circle).length).toBeGreaterThan(0);
  });
  it('one run written down twice counts once', () => {
    const twice = standingResults([result(0, 0, { distance: 8 }), result(0, 0, { distance: 8.1 })]);
    expect(twice).toHaveLength(1);
    expect(twice[0]!.before).toHaveLength(1);
  });
});

describe('the standings as a table', () => {
  it('have a row for each entry in its place, each round with value, wall, place and points', () => {
    const meet = meetOf(3, [round({ name: 'Far' }), round({ name: 'Again' })]);
    const [head, ...rows] = standingsTable(meet, standing(ran(0, 9), [result(1, 0, { distance: 18.5, atLeast: true })]));
    expect(head).toEqual([
      'place',
      'car',
      'crew',
      'Far, SI',
      'Far, wall',
      'Far, place',
      'Far, points',
      'Again, SI',
      'Again, wall',
      'Again, place',
      'Again, points',
      'style',
      'points',
    ]);
    expect(rows[0]).toEqual([1, 'car 1', 'crew 1', 18.5, 'at least', 1, 10, '', '', '', 0, 0, 10]);
    expect(rows[1]).toEqual([2, 'car 0', 'crew 0', 9, '', 2, 7, '', '', '', 0, 0, 7]);
    expect(rows[2]).toEqual([3, 'car 2', 'crew 2', '', '', '', 0, '', '', '', 0, 0, 0]);
  });
});
