import type { CarDesign } from '../car/car-design.ts';
import { isRoller, isWoundOnAxle, recordOf } from '../car/motors/motors.ts';

/** Something to be looked at before a run. */
export interface BeforeRun {
  readonly id: string;
  readonly words: string;
  /** It keeps hands, eyes or faces whole. */
  readonly isCaution?: true;
}

/** What matters for this car between winding and letting go, in that order. Source: common practice, from memory. */
export function beforeRun(design: CarDesign): BeforeRun[] {
  const { motor } = design;
  const { windingCaution, turnsCheck } = recordOf(motor);
  const isReel = isRoller(design);
  return [
    { id: 'caution', words: windingCaution, isCaution: true },
    ...(isWoundOnAxle(motor)
      ? [
          { id: 'backwards', words: 'Wound by turning the wheels backwards, against travel.' },
          ...(turnsCheck === null ? [] : [{ id: 'side-by-side', words: turnsCheck }]),
          motor.release === 'free'
            ? { id: 'loop', words: 'The loop is on its hook and free to drop off.' }
            : { id: 'tied', words: 'The end is tied as it should be and turns freely.' },
        ]
      : [
          { id: 'arm-turned', words: 'Wound by holding the reel and turning the arm the way the reel will roll.' },
          { id: 'goes', words: 'It rolls away from the tip of its arm: the arm trails behind.' },
        ]),
    isReel
      ? { id: 'arm', words: 'The arm rests on the floor behind the reel; the washer turns freely.' }
      : { id: 'rubs', words: 'Nothing rubs: an unwound wheel turns for some seconds after a flick.' },
    { id: 'clean', words: isReel ? 'The rims of the reel are wiped clean.' : 'Wheels and tyres are wiped clean.' },
    {
      id: 'nose',
      words: isReel
        ? 'The front of the reel is at the line; the arm points straight back.'
        : 'The nose is at the line, the car points straight.',
    },
    { id: 'clear', words: 'The track is clear of feet, faces and pets.', isCaution: true },
  ];
}
