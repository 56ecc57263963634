import type { CarDesign } from '../car/car-design.ts';
import { AXLE_ENDS, BEARINGS, STIFFENERS } from '../car/catalogue.ts';
import { axleOf } from '../car/fitted.ts';
import { bodyLength } from '../car/weights.ts';
import { isRoller } from '../car/motors/motors.ts';
import { axleHalf } from '../solid/wheelset-solids.ts';
import { bearingAt, bearingTubes, windingGap } from '../solid/bearing-sizes.ts';
import { TAPE } from '../car/tape.ts';
import type { CutLength } from './part-names.ts';
import { buildOf } from './motors/motors.ts';
import { SIZE_FORMATS, type SizeFormat } from './size-format.ts';
import { wholeMillimetres } from '../units/quantity.ts';

/** A tyre that grips is put on stretched by so much, as a fraction of the rim. Common practice. */
const STRETCHED = 0.1;
/** Tyres that are cut as a strip, and whether they are put on stretched. */
const STRIPS: Partial<Readonly<Record<CarDesign['tyre'], boolean>>> = {
  'rubber-band': true,
  'cut-glove': true,
  foam: false,
  tape: false,
};
/** Everything that is cut to length for a car, m, to the millimetre. */
export function lengthsOf(design: CarDesign, sizes: SizeFormat = SIZE_FORMATS.metric): readonly CutLength[] {
  const { motor, otherWheels, endPlay, sleeve, axleDiameter, driveWheels, tyre } = design;
  const list: CutLength[] = [];
  if (!isRoller(design)) {
    const proud = (format: (metres: number) => string): string => `${format(AXLE_ENDS / 2)} beyond the wheel at each end for hubs`;
    list.push({
      id: 'drive-axle',
      name: `drive axle, ${axleOf(design).label}`,
      count: 1,
      length: 2 * axleHalf(design, 'drive'),
      words: proud,
    });
    if (otherWheels)
      list.push({
        id: 'other-axle',
        name: `other axle, ${axleOf(design).label}`,
        count: 1,
        length: 2 * axleHalf(design, 'other'),
        words: proud,
      });
    for (const which of ['drive', 'other'] as const) {
      const tubes = bearingTubes(design, which);
      const [first] = tubes;
      if (!first) continue;
      const play = (format: (metres: number) => string): string => `${format(endPlay / 2)} of play each side`;
      list.push({
        id: `${which}-bearing`,
        name: `bearing of the ${which} axle, ${BEARINGS[bearingAt(design, which)].label}`,
        count: tubes.length,
        length: first[1] - first[0],
        words: (format) => (which === 'drive' ? `leaves ${format(windingGap(design))} for winding and ${play(format)}` : play(format)),
      });
    }
  }
  const { stiffener } = design.body;
  if (stiffener && !isRoller(design))
    list.push({
      id: 'stiffener',
      name: `stiffener, ${STIFFENERS[stiffener.kind].label}`,
      count: stiffener.count,
      length: bodyLength(design),
      words: () => 'from end to end of the body',
    });
  list.push(...buildOf(motor).lengths(design, motor));
  for (const step of sleeve) {
    const inner = sleeve[sleeve.indexOf(step) - 1]?.diameter ?? axleDiameter;
    if (step.kind !== 'tape' || step.diameter <= inner) continue;
    const wraps = (step.diameter - inner) / 2 / TAPE;
    list.push({
      id: 'tape',
      name: `tape to ⌀ ${sizes.size(step.diameter)}`,
      count: 1,
      length: (Math.PI * (step.diameter + inner) * wraps) / 2,
      words: () => `${Math.round(wraps)} wraps of 0.13 mm tape`,
    });
  }
  const stretched = STRIPS[tyre];
  if (stretched !== undefined && !isRoller(design)) {
    const rim = Math.PI * driveWheels.diameter;
    list.push({
      id: 'tyre',
      name: 'tyre strip',
      count: 2,
      length: stretched ? rim / (1 + STRETCHED) : rim,
      words: (format) => (stretched ? `stretched onto ${format(rim)} of rim` : `round ${format(rim)} of rim`),
    });
  }
  return list.map((cut) => ({ ...cut, length: wholeMillimetres(cut.length) }));
}
