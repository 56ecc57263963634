import { bodyPartOf } from '../car/fitted.ts';
import type { CarDesign } from '../car/car-design.ts';
import { isRoller, isWoundOnAxle } from '../car/motors/motors.ts';
import { bodyLength, bodyWidth, bodyWidthAt } from '../car/weights.ts';
import { OPENING_WORDS, tubeOpening } from '../solid/tube-opening.ts';
import { SIZE_FORMATS, type SizeFormat } from './size-format.ts';
import { buildOf } from './motors/motors.ts';

/** A size that whoever builds needs, as it is reported: in words where no view has room for it. */
export interface NeededSize {
  readonly tells: string;
  readonly label: string;
  readonly value: string;
}

/** Every size that is needed to make a car, each once; `sizes`: in mm by default. */
export function neededSizes(design: CarDesign, sizes: SizeFormat = SIZE_FORMATS.metric): readonly NeededSize[] {
  const { motor, otherWheels, body, ballast, sleeve, endPlay } = design;
  const list: NeededSize[] = [];
  const add = (tells: string, label: string, metres: number): void => void list.push({ tells, label, value: sizes.number(metres) });
  add('driveWheels', 'drive wheels ⌀', design.driveWheels.diameter);
  if (!isRoller(design) && otherWheels) {
    add('otherWheels', 'other wheels ⌀', otherWheels.diameter);
    add('wheelbase', 'wheelbase', design.wheelbase);
    add('trackWidth', 'track width', design.trackWidth);
    add('bodyLength', 'length of the body', bodyLength(design));
    add('bodyWidth', 'width of the body', bodyWidth(design));
    const narrow = bodyWidthAt(design, bodyLength(design));
    if (narrow < bodyWidth(design)) add('bodyNarrow', 'width of the body’s narrow end', narrow);
    if (!bodyPartOf(design).isTube) add('axleGap', 'deck over the middle of the axles', body.axleGap);
    add('endPlay', 'end play of each axle', endPlay);
    const opening = tubeOpening(design);
    if (opening) {
      const where = OPENING_WORDS[opening.side];
      add('openingLong', `opening ${where}, along`, opening.to - opening.from);
      add('openingWide', `opening ${where}, across`, opening.wide);
    }
  }
  add('axleDiameter', 'axle ⌀', design.axleDiameter);
  sleeve.forEach(({ diameter }, i) => add(`sleeve${i}`, `sleeve ⌀${sleeve.length > 1 ? `, layer ${i + 1}` : ''}`, diameter));
  if (isWoundOnAxle(motor)) add('windingWidth', 'width for winding', motor.windingWidth);
  for (const { tells, label, metres } of buildOf(motor).sizes(motor)) add(tells, label, metres);
  if (ballast.mass > 0) add('ballastPlace', 'ballast from the drive axle', ballast.fromDriveAxle);
  return list;
}
