import type { Answer } from './idea.ts';

/** Why a figure goes as it does, by kinds of change. */
const SAME_ENERGY = 'The same energy is given off over a longer way: less pull for longer.';
export const GEAR: Readonly<Record<Answer, string>> = {
  more: SAME_ENERGY,
  less: 'The same energy over a shorter way: more pull, for less long.',
  alike: 'The energy is the same, and so is what holds the car back: it is spent either way.',
};
export const PULL: Readonly<Record<Answer, string>> = {
  more: 'The arm that pulls is shorter, or the one that it turns is longer: a gear for force.',
  less: 'The longer arm moves the string further for less force: a gear for way.',
  alike: 'Neither arm of this gear has changed.',
};
export const MASS: Readonly<Record<Answer, string>> = {
  more: 'It presses where pull was wasted or keeps its motion longer: here that counts for more than the rolling it costs.',
  less: 'What rolls is pressed harder on the floor and into its bearings: more is lost in each metre.',
  alike: 'What weight costs in rolling it gives back in coasting, or it hardly matters on this car.',
};
export const GRIP: Readonly<Record<Answer, string>> = {
  more: 'Wheelspin turns energy into heat: with more grip it goes into the car.',
  less: 'Softer tyres take more to roll, and this car did not need their grip.',
  alike: 'The tyre held already: grip that is not needed changes nothing.',
};
export const ROLL: Readonly<Record<Answer, string>> = {
  more: 'Less is lost in each metre, so the same energy lasts for more of them.',
  less: 'More is lost in each metre, so the same energy lasts for fewer of them.',
  alike: 'That is a small part of what holds this car back.',
};
export const ENERGY: Readonly<Record<Answer, string>> = {
  more: 'More is stretched or bent, and what is wound in is force times way.',
  less: 'Less is stretched or bent: less is wound in.',
  alike: 'What is wound in hangs on spring or rubber and how far it is wound, and neither has changed.',
};
export const SPEED: Readonly<Record<Answer, string>> = {
  more: 'The energy comes in fewer metres: the car is quicker at the end of its pull.',
  less: 'The energy comes in more metres, or more must be moved: the car stays slower.',
  alike: 'As much energy moves as much car.',
};
export const LINE: Readonly<Record<Answer, string>> = {
  more: 'Axles or wheels that are not alike steer it in a curve, and it is off the line by the square of its way.',
  less: 'Its axles are nearer to parallel: the curve it runs in is wider.',
  alike: 'Its axles and wheels stand as they stood: it runs in the same curve.',
};
