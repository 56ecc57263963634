import type { CarDesign, Wind } from './car-design.ts';

/** Deep equality of plain data; the order of keys does not count. */
export function isSameContent(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b;
  const keys = Object.keys(a);
  return (
    keys.length === Object.keys(b).length &&
    keys.every((key) => isSameContent((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]))
  );
}

/** Whether two designs are one, names aside: a version is stored of it. */
export const isSameDesign = (a: CarDesign, b: CarDesign): boolean => isSameContent({ ...a, name: '' }, { ...b, name: '' });

const unasked = ({ brief: _worksTo, ...design }: CarDesign): CarDesign => design;

/** Whether two designs make the same car on the same floor: it runs the same whatever its name, aim and limits. */
export const isSameCar = (a: CarDesign, b: CarDesign): boolean => isSameDesign(unasked({ ...a, aim: b.aim, limits: b.limits }), unasked(b));

/** Whether two designs make the same car, on whatever floors they stand. */
export const isSameBuild = (a: CarDesign, b: CarDesign): boolean => isSameCar({ ...a, floor: b.floor }, b);

/** Whether two cars are wound the same. */
export const isSameWind = (a: Wind, b: Wind): boolean =>
  a.kind === 'full' ? b.kind === 'full' : b.kind === 'turns' && a.turns === b.turns;
