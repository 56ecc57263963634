import { describe, expect, it } from 'vitest';
import { namesIn } from './crew-names.ts';

describe('names of crews', () => {
  it.each([
    ['Gulls\n\n Terns ', [], ['Gulls', 'Terns']],
    ['3', [], ['Crew 1', 'Crew 2', 'Crew 3']],
    ['2', ['Crew 1'], ['Crew 2', 'Crew 3']],
  ])('typed as %j are read', (typed, present, names) => expect(namesIn(typed, present)).toEqual({ names }));
  it.each([
    [' \n', [], /at least one/],
    ['61', [], /61 are too many. At most 60/],
    ['Gulls\ngulls', [], /two called “gulls”/],
    ['Terns', ['terns'], /two called “Terns”/],
    ['x'.repeat(81), [], /too long/],
  ])('typed as %j are refused with the remedy', (typed, present, words) =>
    expect((namesIn(typed, present) as { problem: string }).problem).toMatch(words),
  );
});
