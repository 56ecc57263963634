import type { CarDesign } from '../../car/car-design.ts';
import { isRoller } from '../../car/motors/motors.ts';
import { SIZE_FORMATS, type SizeFormat } from '../size-format.ts';
import { bearingBlockParts } from './bearing-block.ts';
import { hubParts } from './hub.ts';
import type { PrintedPart } from './printed-part.ts';
import { spoolParts } from './spool.ts';
import { trapParts } from './trap-parts.ts';

/** What of a car a 3D printer can make: hubs for its wheels and axles, spool, bearing blocks, lever holder and trap mount; none of a roller. */
export const printedParts = (design: CarDesign, sizes: SizeFormat = SIZE_FORMATS.metric): readonly PrintedPart[] =>
  isRoller(design)
    ? []
    : [...hubParts(design, sizes), ...spoolParts(design, sizes), ...bearingBlockParts(design, sizes), ...trapParts(design, sizes)];
