import type { PartKind } from './part-slots.ts';

/** An object that is found at home or school and used as a part: what it weighs and measures, and which part of the catalogue it is like. */
export interface CommonPiece {
  readonly name: string;
  /** kg */
  readonly mass: number;
  /** m; of a tube or bottle the width is its girth. */
  readonly sizes: Partial<Readonly<Record<'diameter' | 'length' | 'width' | 'thickness', number>>>;
  readonly as: Partial<Readonly<Record<PartKind, string>>>;
}

/** m round something of this diameter. */
const girth = (diameter: number): number => Math.PI * diameter;

/** Usual weights and sizes. Common practice, from memory: weigh and measure yours where it matters. */
export const COMMON_PIECES: readonly CommonPiece[] = [
  { name: 'cap of a drinks bottle', mass: 0.0022, sizes: { diameter: 0.03, thickness: 0.014 }, as: { wheel: 'bottle-cap' } },
  { name: 'cap of a milk bottle', mass: 0.0016, sizes: { diameter: 0.038, thickness: 0.012 }, as: { wheel: 'bottle-cap' } },
  { name: 'lid of a small jar', mass: 0.007, sizes: { diameter: 0.063, thickness: 0.01 }, as: { wheel: 'jar-lid' } },
  { name: 'lid of a large jar', mass: 0.012, sizes: { diameter: 0.082, thickness: 0.012 }, as: { wheel: 'jar-lid' } },
  { name: 'lid of a yoghurt tub', mass: 0.004, sizes: { diameter: 0.088, thickness: 0.008 }, as: { wheel: 'cup-bottom' } },
  { name: 'plastic jar', mass: 0.03, sizes: { diameter: 0.07, thickness: 0.09 }, as: { wheel: 'spool' } },
  { name: 'plastic thread reel', mass: 0.006, sizes: { diameter: 0.033, thickness: 0.042 }, as: { wheel: 'spool' } },
  { name: 'wooden thread reel', mass: 0.012, sizes: { diameter: 0.034, thickness: 0.04 }, as: { wheel: 'spool' } },
  { name: 'pencil', mass: 0.0045, sizes: { diameter: 0.0073, length: 0.18 }, as: { axle: 'pencil', lever: 'dowel' } },
  { name: 'skewer of 30 cm', mass: 0.0015, sizes: { diameter: 0.003, length: 0.3 }, as: { axle: 'skewer', lever: 'skewer' } },
  { name: 'barbecue skewer of 5 mm', mass: 0.005, sizes: { diameter: 0.005, length: 0.36 }, as: { axle: 'skewer', lever: 'dowel' } },
  { name: 'chopstick', mass: 0.006, sizes: { length: 0.24 }, as: { lever: 'dowel' } },
  {
    name: 'wooden ruler of 30 cm',
    mass: 0.017,
    sizes: { length: 0.31, width: 0.028, thickness: 0.003 },
    as: { lever: 'ruler', body: 'plywood' },
  },
  {
    name: 'plastic ruler of 30 cm',
    mass: 0.025,
    sizes: { length: 0.31, width: 0.032, thickness: 0.0023 },
    as: { lever: 'ruler' },
  },
  { name: 'steel ruler of 30 cm', mass: 0.06, sizes: { length: 0.31, width: 0.026, thickness: 0.001 }, as: { lever: 'ruler' } },
  {
    name: 'large craft stick',
    mass: 0.0025,
    sizes: { length: 0.15, width: 0.018, thickness: 0.0016 },
    as: { lever: 'ruler', body: 'craft-sticks' },
  },
  { name: 'bottle of 0.5 l', mass: 0.014, sizes: { length: 0.2, width: girth(0.064), thickness: 0.0003 }, as: { body: 'bottle' } },
  { name: 'bottle of 1.5 l', mass: 0.032, sizes: { length: 0.31, width: girth(0.088), thickness: 0.0003 }, as: { body: 'bottle' } },
  { name: 'tube of a kitchen roll', mass: 0.009, sizes: { length: 0.23, width: girth(0.044), thickness: 0.0006 }, as: { body: 'tube' } },
  { name: 'tube of wrapping paper', mass: 0.03, sizes: { length: 0.5, width: girth(0.045), thickness: 0.001 }, as: { body: 'tube' } },
];

/** What may be used as a part of this kind. */
export const piecesFor = (kind: PartKind): readonly CommonPiece[] => COMMON_PIECES.filter(({ as }) => as[kind] !== undefined);
