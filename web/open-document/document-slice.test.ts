import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../../core/car/car-design.ts';
import { newCar } from '../../core/car/new-car.ts';
import { documentSlice, type OpenDocument } from './document-slice.ts';

const slice = documentSlice<CarDesign>('design');
const { opened: documentOpened, edited, undone, redone, saveLanded, changedElsewhere, foundOlder, mineChosen } = slice.actions;
const reduce = slice.reducer;
type DesignState = OpenDocument<CarDesign>;

const design = newCar('Kelp Runner');
const car = { id: 'a', version: 3, content: design };
const heavier = (wheelbase: number): CarDesign => ({ ...design, wheelbase });
const opened = reduce(null, documentOpened({ kept: car, draft: null }));
const after = (...actions: Parameters<typeof reduce>[1][]): DesignState => actions.reduce(reduce, opened)!;

describe('a design being edited', () => {
  it('is undone and done again step by step', () => {
    const twice = after(edited({ content: heavier(0.2), gesture: null }), edited({ content: heavier(0.3), gesture: null }));
    expect(reduce(twice, undone())!.present.wheelbase).toBe(0.2);
    expect([undone(), undone(), undone()].reduce(reduce, twice)!.present.wheelbase).toBe(design.wheelbase);
    expect([undone(), undone(), redone()].reduce(reduce, twice)!.present.wheelbase).toBe(0.2);
  });
  it('is undone without limit', () => {
    const masses = Array.from({ length: 600 }, (_, i) => 0.1 + i / 1000);
    const edits = masses.map((wheelbase) => edited({ content: heavier(wheelbase), gesture: null }));
    const back = masses.map(() => undone()).reduce<DesignState>((state, action) => reduce(state, action)!, after(...edits));
    expect(back.present).toBe(design);
    expect(masses.map(() => redone()).reduce<DesignState>((state, action) => reduce(state, action)!, back).present.wheelbase).toBe(
      masses.at(-1),
    );
  });
  it('takes one drag as one step', () => {
    const dragged = after(...[0.2, 0.21, 0.22].map((wheelbase) => edited({ content: heavier(wheelbase), gesture: 'drag 1' })));
    expect(dragged.past).toHaveLength(1);
    expect(reduce(dragged, undone())!.present.wheelbase).toBe(design.wheelbase);
  });
  it('forgets what was undone when another way is taken', () => {
    const other = after(edited({ content: heavier(0.2), gesture: null }), undone(), edited({ content: heavier(0.4), gesture: null }));
    expect(reduce(other, redone())!.present.wheelbase).toBe(0.4);
  });
  it('begins with a draft that was left, as a step that can be undone', () => {
    const found = reduce(null, documentOpened({ kept: car, draft: heavier(0.5) }))!;
    expect(found).toMatchObject({ save: 'waiting', present: { wheelbase: 0.5 } });
    expect(reduce(found, undone())!.present.wheelbase).toBe(design.wheelbase);
  });
  it('keeps both when it was changed elsewhere, and saves over the other only when told', () => {
    const torn = after(edited({ content: heavier(0.2), gesture: null }), changedElsewhere({ ...car, version: 7, content: heavier(0.9) }));
    expect(torn).toMatchObject({ save: 'conflict', present: { wheelbase: 0.2 }, other: { version: 7 }, baseVersion: 3 });
    expect(reduce(torn, mineChosen())).toMatchObject({ save: 'waiting', baseVersion: 7, present: { wheelbase: 0.2 }, other: null });
  });
  it('merges what was changed elsewhere where both changed different values, in what can be undone too', () => {
    const other = { ...car, version: 7, content: { ...design, trackWidth: 0.2 } };
    const merged = after(edited({ content: heavier(0.2), gesture: null }), changedElsewhere(other));
    expect(merged).toMatchObject({
      save: 'waiting',
      baseVersion: 7,
      base: { trackWidth: 0.2, wheelbase: design.wheelbase },
      present: { wheelbase: 0.2, trackWidth: 0.2 },
      other: null,
    });
    expect(reduce(merged, undone())!.present).toEqual({ ...design, trackWidth: 0.2 });
  });
  it('asks which of two stands where what was left here grew from a version that is not known', () => {
    const found = reduce(reduce(null, documentOpened({ kept: car, draft: heavier(0.5) })), foundOlder(car))!;
    expect(found).toMatchObject({ save: 'conflict', present: { wheelbase: 0.5 }, other: { version: 3 } });
  });
  it('goes on from the version that landed', () =>
    expect(after(saveLanded({ stored: { ...car, version: 4 }, sent: design }))).toMatchObject({ baseVersion: 4 }));
});
