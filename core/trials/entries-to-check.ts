import type { CarDesign, Wind } from '../car/car-design.ts';
import { hasBands } from '../car/motors/motors.ts';
import { sizesOf } from '../car/sizes.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import type { Quantity } from '../units/quantity.ts';

/** Something entered of a car or its wind that would explain its runs, were it another. */
export interface EntryToCheck {
  readonly label: string;
  readonly quantity: Quantity;
  /** As it is entered, and what it would have to be. SI. */
  readonly entered: number;
  readonly would: number;
}

/** An entry that may be wrong: how it is read, and the car and wind with another value. */
interface Entry extends Pick<EntryToCheck, 'label' | 'quantity' | 'entered'> {
  readonly with: (value: number) => { readonly design: CarDesign; readonly wind: Wind };
  readonly isCount?: boolean;
  readonly most?: number;
}

/** Sizes that are easily mistyped, or measured at the wrong place. */
const SIZES = ['mass', 'driveWheels', 'axleDiameter'];
/** So many times as much and as little is looked at, in so many steps to either side. */
const FACTOR = 4;
const STEPS = 24;
/** ln within which a count explains what was measured. */
const NEAR = 0.15;
const MOST_TOLD = 3;

function entriesOf(design: CarDesign, wind: Wind): Entry[] {
  const { motor } = design;
  const turns = fullTurns(design);
  return [
    {
      label: 'turns wound',
      quantity: 'count',
      entered: wind.kind === 'full' ? turns : wind.turns,
      most: turns,
      with: (value) => ({ design, wind: { kind: 'turns', turns: value } }),
    },
    ...(hasBands(motor)
      ? [
          {
            label: 'bands side by side',
            quantity: 'count' as const,
            entered: motor.parallel,
            isCount: true,
            with: (value: number) => ({ design: { ...design, motor: { ...motor, parallel: value } }, wind }),
          },
        ]
      : []),
    ...sizesOf(motor.kind)
      .filter(({ id }) => SIZES.includes(id))
      .map(({ label, quantity, read, write }) => ({
        label,
        quantity,
        entered: read(design),
        with: (value: number) => ({ design: write(design, value), wind }),
      })),
  ];
}

/**
 * The entries of a car and its wind that, each alone, would make its most likely run come as far as was measured, m: the least change first, at
 * most three. By the run model, searched over a quarter to four times what is entered.
 */
export function entriesToCheck(design: CarDesign, wind: Wind, distance: number): EntryToCheck[] {
  const wanted = Math.log(Math.max(distance, 1e-3));
  const offAt = (entry: Entry, value: number): number => {
    const { design: other, wind: wound } = entry.with(value);
    const prediction = predictRun(other, wound);
    return prediction.kind === 'ran' && prediction.result.distance > 0 ? Math.log(prediction.result.distance) - wanted : NaN;
  };
  const explained = entriesOf(design, wind).flatMap((entry): EntryToCheck[] => {
    const { label, quantity, entered, most = Infinity, isCount = false } = entry;
    const suggestion = (would: number): EntryToCheck[] => [{ label, quantity, entered, would }];
    if (isCount) {
      const counts = Array.from({ length: FACTOR * Math.max(entered, 1) }, (_, i) => i + 1).filter((count) => count !== entered);
      const [best] = counts
        .map((count) => ({ count, off: Math.abs(offAt(entry, count)) }))
        .filter(({ off }) => off < NEAR)
        .sort((a, b) => a.off - b.off);
      return best ? suggestion(best.count) : [];
    }
    // Outwards to either side until the distance is crossed.
    const found = [1, -1].flatMap((side) => {
      let [value, off] = [entered, offAt(entry, entered)];
      for (let step = 1; step <= STEPS; step++) {
        const next = entered * FACTOR ** ((side * step) / STEPS);
        if (next > most) return [];
        const then = offAt(entry, next);
        if (Math.sign(then) !== Math.sign(off) && Number.isFinite(then) && Number.isFinite(off))
          return [value * (next / value) ** (off / (off - then))];
        [value, off] = [next, then];
      }
      return [];
    });
    const [nearest] = found.sort((a, b) => Math.abs(Math.log(a / entered)) - Math.abs(Math.log(b / entered)));
    return nearest === undefined ? [] : suggestion(nearest);
  });
  const size = ({ entered, would }: EntryToCheck): number => Math.abs(Math.log(would / entered));
  return explained.sort((a, b) => size(a) - size(b)).slice(0, MOST_TOLD);
}
