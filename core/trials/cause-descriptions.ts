import type { CarPlace } from '../geometry/car-place.ts';
import type { MotorKind } from '../car/car-design.ts';

/** What may be wrong with a car. */
export type CauseId =
  | 'none'
  | 'rubbing'
  | 'weak-motor'
  | 'low-grip'
  | 'fewer-turns'
  | 'tied'
  | 'loose-wheel'
  | 'veering'
  | 'leaning-floor'
  | 'backwards'
  | 'bending'
  | 'two'
  | 'other';

/** What may be wrong with a car, in words. */
export interface CauseDescription {
  readonly name: string;
  /** What else would then be seen. */
  readonly seen: string;
  /** The check at the table that takes a minute; null where there is none. */
  readonly check: string | null;
  /** How it is put right on the car as it is; null where it takes another part, wind or floor. */
  readonly cure: string | null;
  /** What would tell it from others. */
  readonly tells: string;
}

/** Where a cause would be found; absent where it has no place. */
export const CAUSE_PLACES: Partial<Readonly<Record<CauseId, CarPlace>>> = {
  rubbing: 'axles',
  'weak-motor': 'motor',
  'low-grip': 'tyre',
  'fewer-turns': 'winding',
  tied: 'release',
  'loose-wheel': 'hub',
  veering: 'axles',
  'leaning-floor': 'floor',
  backwards: 'winding',
  bending: 'body',
};

/** As they are reported of any car. */
const OF_ANY: Readonly<Record<CauseId, CauseDescription>> = {
  none: {
    name: 'nothing: it runs as expected',
    seen: 'the runs are close to the prediction for this car',
    check: null,
    cure: null,
    tells: 'more like runs',
  },
  rubbing: {
    name: 'something rubs',
    seen: 'it stops soon after its pull has ended; a flicked wheel stops soon',
    check: 'Lift it and flick each wheel: it should turn on for more than five seconds, and make no sound.',
    cure: 'Find where it rubs: widen the holes a little, put a spacer between hub and body, straighten the axle; flick until it turns on.',
    tells: 'a stop time: friction slows it while it coasts',
  },
  'weak-motor': {
    name: 'the motor is weaker than expected',
    seen: 'it is slow from the start, and coasts normally',
    check: 'Pull at the rim of the wound wheel with a spring scale, and hold it beside the pull in Design.',
    cure: null,
    tells: 'a stop time, or times along the run',
  },
  'low-grip': {
    name: 'the tyres grip less than expected',
    seen: 'the wheels spin at the launch; runs with half the turns go as expected',
    check: 'Wipe tyres and floor with a damp cloth, let them dry, and push down on the held car: it should not slide.',
    cure: null,
    tells: 'a run with half the turns: it does not spin and goes as predicted',
  },
  'fewer-turns': {
    name: 'it has fewer turns than you counted',
    seen: 'runs with half the turns lose a larger part of their distance than full ones',
    check: 'Wind it again with a mark on the wheel, and count aloud.',
    cure: 'Mark the wheel and count the turns aloud. Let no turn slip back while you hook it in.',
    tells: 'a run with the turns counted twice',
  },
  tied: {
    name: 'the end does not let go',
    seen: 'it brakes at the end of its pull, and rolls back a little',
    check: 'Unwind it by hand: the end must drop off by itself.',
    cure: 'Let the string or band hang on the hook by an open loop, so that it drops off when it is unwound.',
    tells: 'watching the axle where its pull ends',
  },
  'loose-wheel': {
    name: 'a drive wheel is loose on its axle',
    seen: 'the axle turns in the wheel at the launch, but no tyre is seen to spin',
    check: 'Hold the wheel and turn the axle: neither may move without the other.',
    cure: 'Glue the drive wheel to its axle, or wedge it, and let it dry.',
    tells: 'a mark across hub and axle, looked at after a run',
  },
  veering: {
    name: 'it curves: its path is longer than the distance you measure',
    seen: 'it stops off the line',
    check: 'Push it gently along a line of tape, both ways.',
    cure: 'Square the axles to the line of the car, as shown under “Changes”.',
    tells: 'the drift in metres',
  },
  'leaning-floor': {
    name: 'the floor slopes',
    seen: 'it goes further one way than the other',
    check: 'Put a marble on the floor, or run the car back.',
    cure: null,
    tells: 'runs out and back',
  },
  backwards: {
    name: 'it is wound the wrong way',
    seen: 'it twitches back, or does not move',
    check: 'Wind by turning the wheels backwards, against travel.',
    cure: 'Wind by turning the drive wheels backwards, against travel.',
    tells: 'looking at the side on which the string leaves the axle',
  },
  bending: {
    name: 'the body bends under the pull, and turns are lost',
    seen: 'the wound body bows; the string is slack before the end',
    check: 'Look along the wound body from the side: it should stay straight.',
    cure: 'Glue a stick along the line of the pull, so that the body stays straight.',
    tells: 'counting the turns that come off again',
  },
  two: {
    name: 'two causes at once',
    seen: 'one cause alone leaves part of it unexplained',
    check: null,
    cure: null,
    tells: 'the check at the table for each of the two',
  },
  other: {
    name: 'something that is not on this list',
    seen: 'the runs fit none of the listed causes',
    check: null,
    cure: null,
    tells: 'checking the entries: turns, motor, weight, wheel and axle diameter',
  },
};

/** What is reported otherwise of a motor. Source: common practice, from memory. */
const OF_MOTOR: Partial<Readonly<Record<MotorKind, Partial<Readonly<Record<CauseId, Partial<CauseDescription>>>>>>> = {
  lever: {
    'weak-motor': { name: 'the spring is weaker than expected' },
    tied: {
      name: 'the string does not let go',
      check: 'Unwind it by hand: the loop must drop off the hook by itself.',
      cure: 'Let the string hang on the hook by an open loop, so that it drops off when it is unwound.',
    },
    bending: {
      name: 'the lever or the body bends under the pull, and turns are lost',
      seen: 'the cocked lever bows; the string is slack before the end',
      check: 'Look at the cocked lever and the body from the side: both should stay straight.',
      cure: 'Glue a stick along the lever or the body, so that it stays straight.',
      tells: 'counting the turns that come off again',
    },
  },
  band: {
    'weak-motor': { name: 'the bands are weaker than expected' },
    tied: {
      name: 'the band does not let go',
      check: 'Unwind it by hand: the band must drop off its hook by itself.',
      cure: 'Let the band hang on the hook by an open loop, so that it drops off when it is unwound.',
    },
    backwards: { tells: 'looking at the side on which the band leaves the axle' },
    bending: { seen: 'the wound body bows; the band is slack before the end' },
  },
  twist: {
    'weak-motor': {
      name: 'the band inside is weaker than expected',
      check: 'Hold the arm, pull at the rim with a spring scale, and compare with the force in Design.',
    },
    rubbing: {
      name: 'the washer or the arm rubs',
      seen: 'it creeps, or stops while the band is still wound',
      check: 'Unwound, hold the arm and turn the reel: it should turn freely and make no sound.',
      cure: 'Rub candle wax on the washer, smooth the end of the reel, and keep the arm off its rim.',
    },
    'low-grip': {
      name: 'the rim grips less than expected',
      seen: 'the reel spins on the spot; with half the turns it rolls as expected',
      check: 'Wipe rim and floor with a damp cloth and let them dry. Push the reel while you hold it fast: it should not slide.',
    },
    'fewer-turns': {
      check: 'Hold the reel, turn the arm, and count aloud.',
      cure: 'Hold the reel, and turn the arm to a count said aloud.',
    },
    'loose-wheel': {
      name: 'the band slips on its pin',
      seen: 'the arm turns, and the reel does not follow',
      check: 'Hold the reel and turn the arm a little: the pin at the far end may not turn in the reel.',
      cure: 'Tape or glue the pin to the end of the reel.',
      tells: 'a mark across pin and reel, looked at after a run',
    },
    veering: {
      check: 'Roll it unwound along a line of tape: both rims must be of one size.',
      cure: 'Make both rims of one size, and set the arm square to the reel.',
    },
    backwards: {
      seen: 'it rolls the other way, over its arm, or does not move',
      check: 'Hold the reel and turn the arm the way the reel will roll. It rolls so that the arm trails behind.',
      cure: 'Hold the reel and wind by turning the arm the way the reel will roll.',
      tells: 'looking at which side of the reel the arm trails',
    },
    bending: {
      name: 'the arm bends, and turns are lost',
      seen: 'the arm bows against the floor',
      check: 'Look at the wound arm from the side: it should stay straight.',
      cure: 'Use a stiffer stick for the arm.',
    },
    other: { tells: 'checking the entries: turns, band, weight and diameter of the reel' },
  },
};

/** What may be wrong with a car, in the words of its motor. */
export const describeCause = (id: CauseId, motor: MotorKind): CauseDescription => ({ ...OF_ANY[id], ...OF_MOTOR[motor]?.[id] });

/** Whether a cause is put right on the car as it is. */
export const isCured = (id: CauseId): boolean => OF_ANY[id].cure !== null;

/** The same, with both named where it is two at once: `two things at once: something rubs, and the floor leans`. */
export const causeName = ({ id, pair }: { readonly id: CauseId; readonly pair?: readonly CauseId[] }, motor: MotorKind): string =>
  pair
    ? `${describeCause(id, motor).name}: ${pair.map((one) => describeCause(one, motor).name).join(', and ')}`
    : describeCause(id, motor).name;

/** Every cause that can be told. */
export const CAUSE_IDS = Object.keys(OF_ANY) as readonly CauseId[];
