import type { PathItem } from './drawing.ts';

/** Paper for what is there, the accent for what is added; lighter where more light falls. */
export const faceColour = ({ isAdded, light }: NonNullable<PathItem['face']>): string =>
  isAdded ? `hsl(30 85% ${Math.round(52 + 26 * light)}%)` : `hsl(45 22% ${Math.round(78 + 19 * light)}%)`;
