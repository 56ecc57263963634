import type { CarDesign } from '../car/car-design.ts';
import { carSolids } from '../solid/car-solids.ts';
import type { Solid } from '../solid/solid.ts';
import type { BuildStep } from './build-step.ts';

/** Which parts a step puts on the car, by its id; a step that only prepares parts puts none. */
const ADDS: Readonly<Record<string, (id: string) => boolean>> = {
  body: (id) => id === 'body',
  stiffener: (id) => id === 'stiffener',
  blocks: (id) => id.includes('-bearing') && id.endsWith('-block'),
  bearings: (id) => id.includes('-bearing') && !id.endsWith('-block'),
  'other-axle': (id) => id.startsWith('other-axle') || id.startsWith('other-wheel'),
  'drive-axle': (id) => id === 'drive-axle' || id === 'axle-hook' || (id.startsWith('drive-wheel') && !id.endsWith('-tyre')),
  sleeve: (id) => id === 'sleeve',
  spool: (id) => id === 'sleeve',
  tyres: (id) => id.endsWith('-tyre'),
  hook: (id) => id === 'hook',
  bands: (id) => id === 'bands',
  trap: (id) => id === 'trap' || id === 'trap-block' || id === 'lever',
  string: (id) => id === 'string',
  ballast: (id) => id === 'ballast',
  basket: (id) => id === 'load',
  join: (id) => id === 'body' || id === 'tube' || id === 'other-end',
  hole: (id) => id === 'body',
  band: (id) => id === 'match' || id === 'bands',
  washer: (id) => id === 'washer' || id === 'arm',
};

/** The car as it is before a step, and what the step puts on it. */
export interface GrownCar {
  readonly before: readonly Solid[];
  readonly added: readonly Solid[];
}

/** How the car grows, step by step; null for a step that puts nothing on it. The last shows the whole car. */
export function grownCar(design: CarDesign, steps: readonly Pick<BuildStep, 'id'>[]): readonly (GrownCar | null)[] {
  const parts = carSolids(design).filter(({ isRoom }) => !isRoom);
  let before: readonly Solid[] = [];
  return steps.map(({ id }, i) => {
    if (i === steps.length - 1) return { before: parts, added: [] };
    const added = parts.filter((part) => ADDS[id]?.(part.id) && !before.includes(part));
    if (added.length === 0) return null;
    const grown = { before, added };
    before = [...before, ...added];
    return grown;
  });
}
