import type { CarDesign } from '../car/car-design.ts';
import { AXLE_ENDS, BEARINGS, STIFFENERS, WHEELS } from '../car/catalogue.ts';
import { axleOf } from '../car/fitted.ts';
import { bodyLength, bodyWidthAt } from '../car/weights.ts';
import { isRoller } from '../car/motors/motors.ts';
import { TAPE } from '../car/tape.ts';
import type { CutLength } from './part-names.ts';
import { buildOf } from './motors/motors.ts';
import { SIZE_FORMATS, type SizeFormat } from './size-format.ts';
import { wholeMillimetres } from '../units/quantity.ts';

/** m kept free between a bearing and the turns wound beside it. Common practice. */
const BESIDE_WINDING = 0.003;
/** A tyre that grips is put on stretched by so much, as a fraction of the rim. Common practice. */
const STRETCHED = 0.1;
/** Tyres that are cut as a strip, and whether they are put on stretched. */
const STRIPS: Partial<Readonly<Record<CarDesign['tyre'], boolean>>> = {
  'rubber-band': true,
  'cut-glove': true,
  foam: false,
  tape: false,
};
/** Bearings that are tubes cut to length, and how much wider than the axle they are outside, m. Common practice. */
const TUBES: Partial<Readonly<Record<CarDesign['bearing'], number>>> = {
  'wood-plastic-straw': 0.0016,
  'wood-paper-straw': 0.002,
  'steel-straw': 0.0016,
  'steel-brass': 0.001,
  'steel-brass-graphite': 0.001,
};
/** Play of a bare hole about its axle, m across. Common practice. */
const HOLE_PLAY = 0.0005;

/** Outside of what an axle turns in, m: the tube, or the bare hole with its play. */
export const bearingOutside = (design: CarDesign, which: 'drive' | 'other' = 'drive'): number =>
  design.axleDiameter + (TUBES[bearingAt(design, which)] ?? HOLE_PLAY);
/** What an axle turns in, by its word of the catalogue. */
export const bearingAt = ({ bearing, otherBearing }: CarDesign, which: 'drive' | 'other'): CarDesign['bearing'] =>
  which === 'other' ? (otherBearing ?? bearing) : bearing;
export const isTubeBearing = (design: CarDesign, which: 'drive' | 'other' = 'drive'): boolean =>
  TUBES[bearingAt(design, which)] !== undefined;

/** Room between the wheels of an axle, m. */
export const betweenWheels = ({ trackWidth, driveWheels, otherWheels }: CarDesign, which: 'drive' | 'other'): number =>
  trackWidth - WHEELS[(which === 'drive' ? driveWheels : (otherWheels ?? driveWheels)).kind].thickness;

/** Everything that is cut to length for a car, m, to the millimetre. */
export function lengthsOf(design: CarDesign, sizes: SizeFormat = SIZE_FORMATS.metric): readonly CutLength[] {
  const { motor, trackWidth, otherWheels, layout, endPlay, sleeve, axleDiameter, driveWheels, tyre } = design;
  const list: CutLength[] = [];
  if (!isRoller(design)) {
    const oneWheel = layout.otherWheelCount === 1;
    const across = oneWheel ? bodyWidthAt(design, design.wheelbase) : trackWidth;
    const proud = (format: (metres: number) => string): string => `${format(AXLE_ENDS / 2)} beyond the wheel at each end for hubs`;
    list.push({ id: 'drive-axle', name: `drive axle, ${axleOf(design).label}`, count: 1, length: trackWidth + AXLE_ENDS, words: proud });
    if (otherWheels)
      list.push({ id: 'other-axle', name: `other axle, ${axleOf(design).label}`, count: 1, length: across + AXLE_ENDS, words: proud });
    if (isTubeBearing(design)) {
      const inner = betweenWheels(design, 'drive') - endPlay;
      const wound = 'windingWidth' in motor ? motor.windingWidth + 2 * BESIDE_WINDING : 0;
      list.push({
        id: 'drive-bearing',
        name: `bearing of the drive axle, ${BEARINGS[design.bearing].label}`,
        count: 2,
        length: Math.max((inner - wound) / 2, 0.005),
        words: (format) => `leaves ${format(wound)} for winding and ${format(endPlay / 2)} of play each side`,
      });
    }
    if (otherWheels && isTubeBearing(design, 'other'))
      list.push({
        id: 'other-bearing',
        name: `bearing of the other axle, ${BEARINGS[bearingAt(design, 'other')].label}`,
        count: oneWheel ? 2 : 1,
        length: oneWheel
          ? Math.max((across - WHEELS[otherWheels.kind].thickness - endPlay) / 2, 0.005)
          : Math.max(betweenWheels(design, 'other') - endPlay, 0.005),
        words: (format) => `${format(endPlay / 2)} of play each side`,
      });
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
