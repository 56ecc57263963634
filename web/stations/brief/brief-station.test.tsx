import { readFileSync } from 'node:fs';
import { renderToStaticMarkup } from 'react-dom/server';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import type { Brief } from '../../../core/brief/brief.ts';
import { briefFaults } from '../../../core/brief/brief.ts';
import { goalOfKind, type Goal } from '../../../core/brief/goal.ts';
import { makeStore } from '../../app/store.ts';
import { NewBrief } from './new-brief.tsx';
import { FloorPart } from './floor-part.tsx';
import { RoundFields } from './round-fields.tsx';
import { RuleFields } from './rule-fields.tsx';
import { BriefSheet } from './brief-sheet.tsx';

const trophy = JSON.parse(readFileSync('server/demo/skerrow-lull-trophy.brief.json', 'utf8')) as Brief;
const nothing = (): void => {};
const markup = (element: React.ReactElement): string =>
  renderToStaticMarkup(
    <MemoryRouter>
      <Provider store={makeStore()}>{element}</Provider>
    </MemoryRouter>,
  );
const words = (element: React.ReactElement): string =>
  markup(element)
    .replaceAll(/<style[^>]*>.*?<\/style>/g, '')
    .replaceAll(/<[^>]+>/g, '|')
    .replaceAll('\u00a0', ' ')
    .replaceAll(/\|+/g, '|');

describe('the sheet', () => {
  const sheet = words(<BriefSheet briefId="a" brief={trophy} edit={nothing} />);
  it('reads from what counts over the floors to the rules', () => {
    const text = sheet.replaceAll('|', '');
    const order = [
      'Skerrow Lull Trophy, set by',
      'What counts',
      '1. Furthest, on ',
      '4. Through the gap, on ',
      'Floors',
      'to the wall',
      'Rules',
      'At most 6 bands, counting bands used as tyres.',
    ];
    const places = order.map((part) => text.indexOf(part));
    expect(places.every((place) => place >= 0)).toBe(true);
    expect(places).toEqual([...places].sort((a, b) => a - b));
  });
  it('draws every floor, with the marks of the rounds that are run on it', () => {
    for (const [place, mark] of [
      [0, '6.00 m'],
      [2, 'gap 0.80 m at 5.00 m'],
    ] as const)
      expect(words(<FloorPart brief={trophy} place={place} edit={nothing} />)).toContain(mark);
  });
});

describe('the fields of a round', () => {
  const fieldsOf = (goal: Goal): string =>
    markup(<RoundFields brief={{ ...trophy, rounds: [{ ...trophy.rounds[0]!, goal }] }} place={0} edit={nothing} />);
  it.each<[Goal['kind'], readonly string[], readonly string[]]>([
    ['furthest', [], ['Goal distance', 'Width']],
    ['quickest-to', ['Goal distance'], ['Width']],
    ['through-gap', ['Gap at', 'Width of the gap'], ['Goal distance']],
    ['within-lane', ['Width of the lane'], ['Goal distance']],
    ['carry', ['Carried over'], ['Load that each car carries']],
    ['speed-and-distance', ['Timed to', 'Metres for each 1 m/s', 'use two rounds'], []],
  ])('%s asks for what it needs, and nothing else', (kind, asked, not) => {
    const fields = fieldsOf(goalOfKind(kind));
    for (const label of asked) expect(fields).toContain(label);
    for (const label of not) expect(fields).not.toContain(label);
  });
  it('lay twigs where they are to be climbed: the brief stays one that can be kept', () => {
    let changed: Brief = trophy;
    const fields = <RoundFields brief={trophy} place={0} edit={(change) => (changed = change(changed))} />;
    expect(markup(fields)).toContain('Name of the round');
    expect(briefFaults(changed)).toEqual([]);
  });
});

describe('the fields of the rules', () => {
  const fields = words(<RuleFields rules={{ ...trophy.rules, drives: ['band'], wheels: { least: 3, most: 4 } }} edit={nothing} />);
  it('name what may drive a car, of what, how large, how long and for how much', () => {
    for (const label of [
      'Driven by',
      'Traps',
      'Bands',
      'Longest allowed',
      'Heaviest allowed',
      'Minutes to build',
      'Cost limit',
      'Kit',
      'Between runs',
      'Ties',
    ])
      expect(fields).toContain(label);
  });
});

describe('where a brief begins', () => {
  it('is a few plain questions, a template or a file', () => {
    const begin = words(<NewBrief title="What is asked of Tern?" drive="band" onChosen={nothing} />);
    for (const text of [
      'What is asked of Tern?',
      'Set by',
      'Motor',
      'Room from the line',
      'Class hall',
      'Kitchen floor',
      'Club evening',
      'Open a brief file',
    ])
      expect(begin).toContain(text);
  });
});
