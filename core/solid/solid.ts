import type { Shape } from './shape.ts';

/** How one part is held by another. */
export type HeldBy = 'glue' | 'tape' | 'hub' | 'hole' | 'lashing' | 'hook' | 'knot' | 'pull';

/** A part of the car as it lies in space. */
export interface Solid {
  readonly id: string;
  /** What it is called, as it follows “the”. */
  readonly name: string;
  readonly shapes: readonly Shape[];
  /** What holds it, and by what; the deck and what lies on the floor need nothing. */
  readonly held: readonly { readonly to: string; readonly by: HeldBy }[];
  /** What it turns with, where it does. */
  readonly turnsWith: 'drive-axle' | 'other-axle' | 'lever' | null;
  /** Not a part, but the room that something takes as it turns: it is never drawn. */
  readonly isRoom: boolean;
}

type Held = readonly [to: string, by: HeldBy];

/** A part with its name, what it is made of and what holds it. */
export const solid = (
  id: string,
  name: string,
  shapes: readonly Shape[],
  held: readonly Held[],
  { turnsWith = null, isRoom = false }: Partial<Pick<Solid, 'turnsWith' | 'isRoom'>> = {},
): Solid => ({ id, name, shapes, held: held.map(([to, by]) => ({ to, by })), turnsWith, isRoom });

/** What every other part is held by in the end. */
export const GROUND = 'body';
