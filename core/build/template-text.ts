import { makePlace, type Item } from './drawing.ts';

/** mm of a text on a template. */
export const TEMPLATE_TEXT = 3.2;

/** A text on a template; mm. */
export const templateText = (text: string, x: number, y: number, anchor: 'start' | 'middle' = 'start', size = TEMPLATE_TEXT): Item => ({
  kind: 'text',
  at: makePlace(x, y),
  text,
  size,
  anchor,
});
