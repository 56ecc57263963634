import { describe, expect, it } from 'vitest';
import { stationsOnPhone } from './stations-on-phone.ts';

const all = ['Garage', 'Brief', 'Bench', 'Design', 'Build', 'Track', 'Tune', 'Learn', 'Meet'].map((label) => ({ label, to: `/${label}` }));
const shown = (open: string, waiting?: string): string[] =>
  stationsOnPhone(
    all.map((station) => ({ ...station, ...(station.label === waiting && { waiting: 'none yet' }) })),
    open,
  ).map(({ label }) => label);

describe('the stations along the bottom of a phone', () => {
  it('are five in their order: the one that is open, where something waits, and what is wanted standing up', () => {
    expect(shown('/Track')).toEqual(['Garage', 'Design', 'Track', 'Tune', 'Meet']);
    expect(shown('/Bench')).toEqual(['Garage', 'Bench', 'Design', 'Track', 'Tune']);
    expect(shown('/Learn', 'Brief')).toEqual(['Garage', 'Brief', 'Track', 'Tune', 'Learn']);
    expect(stationsOnPhone(all.slice(0, 2), '/')).toEqual(all.slice(0, 2));
  });
});
