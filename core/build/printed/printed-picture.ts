import { pictureOf, STEP_VIEW } from '../../solid/picture.ts';
import { solid } from '../../solid/solid.ts';
import type { Sheet } from '../drawing.ts';
import { frameOfSeen, itemsOfSeen, penFor } from '../picture-items.ts';
import type { PrintedPart } from './printed-part.ts';

/** mm of the picture at the most, across and up and down. */
const WIDTH = 60;
const HEIGHT = 40;

/** A printed part as it lies on the bed. */
export function printedPicture({ name, layers }: PrintedPart): Sheet {
  const shapes = layers.map((layer) => ({ ...layer, kind: 'plate' as const, slope: 0 }));
  const seen = pictureOf([solid('printed', name, shapes, [])], STEP_VIEW);
  const pen = penFor(frameOfSeen(seen), WIDTH, HEIGHT);
  return { name, ...pen.room, items: itemsOfSeen(seen, pen) };
}
