import { pictureOf, STEP_VIEW } from '../../solid/picture.ts';
import { solid } from '../../solid/solid.ts';
import type { Sheet } from '../drawing.ts';
import { frameOfSeen, itemsOfSeen, penWithin } from '../picture-items.ts';
import type { PrintedPart } from './printed-part.ts';

/** mm of a picture. */
const WIDTH = 68;
const HEIGHT = 48;

/** A printed part as it lies on the bed, in the middle of a sheet. */
export function printedPicture({ name, layers }: PrintedPart): Sheet {
  const shapes = layers.map((layer) => ({ ...layer, kind: 'plate' as const, slope: 0 }));
  const seen = pictureOf([solid('printed', name, shapes, [])], STEP_VIEW);
  return { name, width: WIDTH, height: HEIGHT, items: itemsOfSeen(seen, penWithin(frameOfSeen(seen), WIDTH, HEIGHT)) };
}
