import { readFileSync } from 'node:fs';
import { renderToStaticMarkup } from 'react-dom/server';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import type { Brief } from '../../core/brief/brief.ts';
import { newCar } from '../../core/car/new-car.ts';
import type { StoredBrief } from '../../core/schema/stored.ts';
import { documentsApi } from '../app/api/documents-api.ts';
import { makeStore, type RootState } from '../app/store.ts';
import CarBrief from '../stations/garage/car-brief.tsx';
import { briefOf, openDesign } from './design-with-brief.ts';
import { designSlice } from './design-slice.ts';

beforeAll(() => void vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} }));
const brief = JSON.parse(readFileSync('server/demo/skerrow-lull-trophy.brief.json', 'utf8')) as Brief;
const stored: StoredBrief = { id: crypto.randomUUID(), version: 1, brief, updatedAt: '' };
const { opened, edited } = designSlice.actions;

async function openedStore(round: number) {
  const store = makeStore();
  const design = { ...newCar('Tern', 'band'), brief: { id: stored.id, round } };
  store.dispatch(opened({ kept: { id: 'a', version: 1, content: design }, draft: null }));
  const seen = () => openDesign(store.getState() as RootState)!;
  const list = (briefs: readonly StoredBrief[]) =>
    store.dispatch(documentsApi.util.upsertQueryData('listBriefs', undefined, { readable: [...briefs], unreadable: [] }));
  return { store, design, seen, list };
}

describe('the car that is open', () => {
  it('is as its brief asks once that is known, and the same object until either changes', async () => {
    const { store, design, seen, list } = await openedStore(2);
    expect(seen()).toBe(design);
    await list([stored]);
    expect(seen()).toMatchObject({ floor: { slope: 0.0349 }, load: { mass: 0.1 }, limits: { bands: 6 } });
    expect(seen()).toBe(seen());
    store.dispatch(edited({ content: { ...design, wheelbase: 0.3 }, gesture: null }));
    expect(seen()).toMatchObject({ wheelbase: 0.3, floor: { slope: 0.0349 } });
  });
  it('follows the brief when that is changed, and stands by itself where it is not here', async () => {
    const { seen, list, design } = await openedStore(0);
    await list([
      { ...stored, brief: { ...brief, floors: brief.floors.map((one) => ({ ...one, floor: { ...one.floor, roomLength: 7 } })) } },
    ]);
    expect(seen().floor.roomLength).toBe(7);
    await list([]);
    expect(seen()).toBe(design);
    expect(briefOf({}, [stored])).toBeNull();
    expect(briefOf(design, [stored])).toBe(stored);
  });
});

describe('a car in the Garage', () => {
  const words = (element: React.ReactElement): string =>
    renderToStaticMarkup(
      <MemoryRouter>
        <Provider store={makeStore()}>{element}</Provider>
      </MemoryRouter>,
    )
      .replaceAll(/<[^>]+>/g, '|')
      .replaceAll('\u00a0', ' ')
      .replaceAll(/\|+/g, '|');
  const car = newCar('Tern', 'band');
  it('says how near it is to its brief: rules, and each round', () => {
    const rounds = brief.rounds.map(({ name }) => ({
      name,
      kind: 'ran' as const,
      bounds: { low: 7, middle: 9, high: 11 },
      chance: null,
      atWall: 0,
    }));
    const told = words(<CarBrief carId="a" design={car} brief={brief} rounds={rounds} />);
    expect(told).toMatch(/^\|Skerrow Lull Trophy\|✓ follows every rule\|Furthest\|about 9(\.0)? m\|/);
    expect(words(<CarBrief carId="a" design={car} brief={brief} rounds={null} />)).toContain('Furthest|…|');
  });
  it('tells the rule it breaks with both numbers', () => {
    const strict = { ...brief, rules: { ...brief.rules, width: 0.1 } };
    expect(words(<CarBrief carId="a" design={car} brief={strict} rounds={null} />)).toContain('✕ breaks: width 122.7 mm of 100 mm allowed');
  });
});
