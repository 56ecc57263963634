import type { CarDesign } from '../car/car-design.ts';
import { upToWall } from '../car/floors.ts';
import { deriveRunSetup, prepareRun } from '../predict/derive-run-setup.ts';
import { conditionsOf } from '../predict/conditions.ts';
import { ownSizesOf } from '../car/sizes.ts';
import { likelyNumbers, valueKeysOf, valueOf } from '../car/values.ts';
import { deviated, VALUE_NAMES, type Numbers } from '../car/value-table.ts';
import { simulate } from '../run/simulate.ts';
import { marksOf, scoreOf } from './aim.ts';

/** How the distance, up to the wall, m, or the points of all rounds move when one thing is changed down and up; NaN where the car then cannot run. */
export interface Influence {
  readonly id: string;
  readonly label: string;
  readonly low: number;
  readonly high: number;
  /** The larger of the two changes. */
  readonly swing: number;
}

const influence = (id: string, label: string, before: number, low: number, high: number): Influence => ({
  id,
  label,
  low,
  high,
  swing: Math.max(Math.abs(low - before) || 0, Math.abs(high - before) || 0),
});

const bySwing = (list: Influence[]): Influence[] => list.sort((a, b) => b.swing - a.swing);

/** What is moved: the distance up to the wall, m, or the points where the aim is all rounds; NaN of a car that cannot run. `numbers`: the most likely by default. */
export function movedFigure(design: CarDesign, numbers: Numbers = likelyNumbers(design)): number {
  const { contest } = design.aim;
  const prepared = prepareRun(design);
  if (prepared.kind === 'refused') return NaN;
  const outcome = simulate({ ...deriveRunSetup(design, { kind: 'full' }, numbers), marks: [...marksOf(design.aim)] });
  if (outcome.kind !== 'ran') return NaN;
  return contest ? scoreOf(design, outcome.result, numbers) : upToWall(design.floor, outcome.result.distance);
}

/** Which sizes move the distance most when each alone is changed by ∓10 %, the strongest first. */
export function sizesThatMatter(design: CarDesign): Influence[] {
  const before = movedFigure(design);
  return bySwing(
    ownSizesOf(design)
      .filter(({ read }) => read(design) !== 0)
      .map(({ id, label, read, write }) => {
        const [low, high] = [0.9, 1.1].map((factor) => movedFigure(write(design, factor * read(design))));
        return influence(id, label, before, low!, high!);
      }),
  );
}

/** Which values that are not known exactly, and which conditions, move the distance most, each alone off by its own spread (one standard deviation). */
export function valuesThatMatter(design: CarDesign): Influence[] {
  const numbers = likelyNumbers(design);
  const before = movedFigure(design);
  const conditions = conditionsOf(design).map(({ id, name, off }) => {
    const [low, high] = [-1, 1].map((side) => movedFigure(off(design, side)));
    return influence(id, name, before, low!, high!);
  });
  return bySwing([
    ...conditions,
    ...valueKeysOf(design).map((key) => {
      const value = valueOf(design, key);
      const [low, high] = [-1, 1].map((side) => movedFigure(design, { ...numbers, [key]: deviated(key, value, side) }));
      return influence(key, VALUE_NAMES[key], before, low!, high!);
    }),
  ]);
}
