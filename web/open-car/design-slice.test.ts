import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../../core/car/car-design.ts';
import { newCar } from '../../core/car/new-car.ts';
import {
  carOpened,
  changedElsewhere,
  designReducer,
  edited,
  mineChosen,
  redone,
  saveLanded,
  undone,
  type DesignState,
} from './design-slice.ts';

const design = newCar('Kelp Runner');
const car = { id: 'a', version: 3, design, updatedAt: '' };
const heavier = (wheelbase: number): CarDesign => ({ ...design, wheelbase });
const opened = designReducer(null, carOpened({ car, draft: null }));
const after = (...actions: Parameters<typeof designReducer>[1][]): DesignState => actions.reduce(designReducer, opened)!;

describe('a design being edited', () => {
  it('is undone and done again step by step', () => {
    const twice = after(edited({ design: heavier(0.2), gesture: null }), edited({ design: heavier(0.3), gesture: null }));
    expect(designReducer(twice, undone())!.present.wheelbase).toBe(0.2);
    expect([undone(), undone(), undone()].reduce(designReducer, twice)!.present.wheelbase).toBe(design.wheelbase);
    expect([undone(), undone(), redone()].reduce(designReducer, twice)!.present.wheelbase).toBe(0.2);
  });
  it('is undone without limit', () => {
    const masses = Array.from({ length: 600 }, (_, i) => 0.1 + i / 1000);
    const edits = masses.map((wheelbase) => edited({ design: heavier(wheelbase), gesture: null }));
    const back = masses.map(() => undone()).reduce<DesignState>((state, action) => designReducer(state, action)!, after(...edits));
    expect(back.present).toBe(design);
    expect(masses.map(() => redone()).reduce<DesignState>((state, action) => designReducer(state, action)!, back).present.wheelbase).toBe(
      masses.at(-1),
    );
  });
  it('takes one drag as one step', () => {
    const dragged = after(...[0.2, 0.21, 0.22].map((wheelbase) => edited({ design: heavier(wheelbase), gesture: 'drag 1' })));
    expect(dragged.past).toHaveLength(1);
    expect(designReducer(dragged, undone())!.present.wheelbase).toBe(design.wheelbase);
  });
  it('forgets what was undone when another way is taken', () => {
    const other = after(edited({ design: heavier(0.2), gesture: null }), undone(), edited({ design: heavier(0.4), gesture: null }));
    expect(designReducer(other, redone())!.present.wheelbase).toBe(0.4);
  });
  it('begins with a draft that was left, as a step that can be undone', () => {
    const found = designReducer(null, carOpened({ car, draft: heavier(0.5) }))!;
    expect(found).toMatchObject({ save: 'waiting', present: { wheelbase: 0.5 } });
    expect(designReducer(found, undone())!.present.wheelbase).toBe(design.wheelbase);
  });
  it('keeps both when it was changed elsewhere, and saves over the other only when told', () => {
    const torn = after(edited({ design: heavier(0.2), gesture: null }), changedElsewhere({ ...car, version: 7, design: heavier(0.9) }));
    expect(torn).toMatchObject({ save: 'conflict', present: { wheelbase: 0.2 }, other: { version: 7 }, baseVersion: 3 });
    expect(designReducer(torn, mineChosen())).toMatchObject({ save: 'waiting', baseVersion: 7, present: { wheelbase: 0.2 }, other: null });
  });
  it('goes on from the version that landed', () =>
    expect(after(saveLanded({ car: { ...car, version: 4 }, sent: design }))).toMatchObject({ baseVersion: 4 }));
});
