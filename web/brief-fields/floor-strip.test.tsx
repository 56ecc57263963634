import { Provider } from 'react-redux';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import type { Floor } from '../../core/car/car-design.ts';
import { plainFloor } from '../../core/brief/new-brief.ts';
import { makeStore } from '../app/store.ts';
import { marksOfRound } from './floor-marks.ts';
import { FloorStrip } from './floor-strip.tsx';
import type { FloorMark } from './strip-scale.ts';

const drawn = (floor: Floor, marks: readonly FloorMark[] = [], isEdited = false): string =>
  renderToStaticMarkup(
    <Provider store={makeStore()}>
      <FloorStrip name="the hall" floor={floor} marks={marks} {...(isEdited && { change: () => {} })} />
    </Provider>,
  ).replaceAll('\u00a0', ' ');
/** The x of a vertical line drawn in this colour, px. */
const linesIn = (markup: string, name: string): number[] =>
  [...markup.matchAll(new RegExp(`d="M([\\d.]+) [\\d.-]+v[\\d.-]+" stroke="var\\(--mui-palette-workbench-${name}\\)"`, 'g'))].map(([, x]) =>
    Number(x),
  );

describe('a floor as a strip', () => {
  it('stands to scale: a mark half way to the wall is drawn half way', () => {
    const markup = drawn(plainFloor(18), [{ at: 9, label: '9 m' }]);
    const [line] = linesIn(markup, 'ink');
    const [mark] = linesIn(markup, 'distance');
    const wall = Number(/<rect x="([\d.]+)" y="[\d.-]+" width="6"/.exec(markup)![1]);
    expect((mark! - line!) / (wall - line!)).toBeCloseTo(0.5, 6);
  });
  it('draws a gap as wide as it is beside its lane', () => {
    const markup = drawn({ ...plainFloor(3), laneWidth: 1 }, [{ at: 2, width: 0.5, label: 'gap' }]);
    const posts = [...markup.matchAll(/<circle cx="[\d.]+" cy="([\d.]+)" r="5"/g)].map(([, y]) => Number(y));
    const lane = /M[\d.]+ ([\d.]+)H[\d.]+M[\d.]+ ([\d.]+)H/.exec(markup)!.slice(1).map(Number);
    expect((posts[1]! - posts[0]!) / (lane[1]! - lane[0]!)).toBeCloseTo(0.5, 6);
  });
  it('says in words what lies on it, and names a width that is not to scale', () => {
    const floor: Floor = {
      ...plainFloor(40),
      laneWidth: 0.5,
      slope: 0.0349,
      stretches: [{ from: 20, kind: 'coir-matting', slope: 0 }],
      edges: [{ at: 5, height: 0.008 }],
    };
    const markup = drawn(floor);
    expect(markup).toContain('aria-label="the hall: smooth floor or linoleum from 0.00 m, coir matting from 20.00 m, wall at 40.00 m"');
    for (const words of ['2° up', '8 mm', 'lane 0.50 m', 'width not to scale', 'wall at 40.00 m']) expect(markup).toContain(words);
  });
  it('has a handle for the wall, each stretch and each twig where it may be edited, and none elsewhere', () => {
    const floor: Floor = { ...plainFloor(10), stretches: [{ from: 4, kind: 'gravel', slope: 0 }], edges: [{ at: 2, height: 0.01 }] };
    expect(drawn(floor).match(/role="slider"/g)).toBeNull();
    expect(drawn(floor, [], true).match(/role="slider"/g)).toHaveLength(3);
    expect(drawn(floor, [], true)).toContain('aria-valuetext="4.00 m"');
  });
  it('marks what a round sets on it', () => {
    const round = { name: 'x', floor: 'y', load: 0, runs: 1, counts: 'best', points: [], inOnePiece: false } as const;
    const marks = (goal: Parameters<typeof marksOfRound>[0]['goal']) => marksOfRound({ ...round, points: [], goal }, 'metric');
    expect(marks({ kind: 'furthest' })).toEqual([]);
    expect(marks({ kind: 'carry', distance: 4 })).toMatchObject([{ at: 4 }]);
    expect(marks({ kind: 'through-gap', distance: 5, width: 0.8 })).toMatchObject([{ at: 5, width: 0.8 }]);
  });
});
