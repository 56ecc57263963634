/** The ten ideas, in the order they build on each other. */
export const IDEAS = {
  energy: 'Energy: how much is stored, and where it goes',
  pull: 'Pull against distance',
  gears: 'Levers and wheels as gears',
  grip: 'Grip',
  rolling: 'Rolling and rubbing',
  coasting: 'Coasting',
  mass: 'Light or heavy',
  straight: 'Straight',
  air: 'Air and speed',
  luck: 'Luck and averages',
} as const;
export type Idea = keyof typeof IDEAS;

/** The same ideas as a path by Newton's three laws of motion (Principia, 1687): each law, and where this car shows it. */
export const LAWS = [
  {
    name: 'First law: a car keeps moving until a force stops it',
    ideas: ['coasting', 'rolling', 'straight'],
  },
  {
    name: 'Second law: force is mass times acceleration',
    ideas: ['pull', 'gears', 'mass', 'air'],
  },
  {
    name: 'Third law: the tyre pushes the floor, the floor pushes the car',
    ideas: ['grip'],
  },
] as const satisfies readonly { readonly name: string; readonly ideas: readonly Idea[] }[];

/** What many think, and this car may show otherwise. */
export const MISCONCEPTIONS = {
  power: 'More power always goes further.',
  light: 'Lighter is always better.',
  grip: 'More grip is always better.',
  big: 'Bigger wheels are always better.',
  friction: 'Friction is always bad.',
  free: 'A longer lever gives more energy.',
  'one-run': 'One good run shows what a car can do.',
} as const;
export type Misconception = keyof typeof MISCONCEPTIONS;

/** Which way a figure goes: more, less, or hardly any change. */
export type Answer = 'more' | 'less' | 'alike';
