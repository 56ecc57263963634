import { describeFullWind } from './full-wind.ts';
import type { CarDesign } from '../car/car-design.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { predictRun } from '../predict/predict-run.ts';
import type { Format } from '../units/quantity.ts';
import { isRoller } from '../car/motors/motors.ts';
import type { PartPlace } from './part-names.ts';

/** One step of the making. */
export interface BuildStep {
  readonly id: string;
  readonly title: string;
  /** What is done. */
  readonly text: string;
  readonly tool: string;
  readonly minutes: number;
  /** min that must pass before the next, while glue sets; 0 for none. */
  readonly dries: number;
  /** How exact; empty where it does not matter. */
  readonly tolerance: string;
  /** The trick of the trade. */
  readonly trick: string;
  /** An adult is beside young builders. */
  readonly adult: boolean;
  readonly caution: string;
  /** What proves it before the next step. */
  readonly check: string;
  /** Its templates by their ids, or what of the car it is about. */
  readonly shows: { readonly pieces: readonly string[] } | { readonly part: PartPlace };
}

/** What most steps are without. */
export const PLAIN_STEP = { dries: 0, tolerance: '', trick: '', adult: false, caution: '' } as const;

/** Cautions; local rules come first. Common practice. */
export const CUTTING_CAUTION = 'Cut away from yourself, on a board. Keep the other hand clear.';
export const FLYING_ENDS_CAUTION = 'Ends of skewers and wire fly off. Wear glasses and hold both ends.';
export const DRILLING_CAUTION =
  'Hold caps and lids in a clamp on wood when you drill, never in the hand. The drill grabs thin metal and plastic.';
export const POINTS_CAUTION = 'Points slip: push away from the hand.';
/** For whoever pierces a wheel of this kind: caps and lids are drilled. */
export const piercingCaution = (kind: CarDesign['driveWheels']['kind']): string =>
  kind === 'bottle-cap' || kind === 'jar-lid' ? DRILLING_CAUTION : POINTS_CAUTION;
export const HEAT_CAUTION = 'Glue and nozzle are hot enough to burn. Keep fingers away.';
export const TRAP_CAUTION = 'A snap trap breaks skin. Keep the arm tied down while you work, and fingers out of its path.';
export const BAND_CAUTION = 'A stretched band whips. Wear glasses and keep it away from faces.';
export const LATEX_CAUTION = 'Latex can cause allergy. Ask first.';

/** What comes first: templates at full size. */
export const templateStep: BuildStep = {
  ...PLAIN_STEP,
  id: 'templates',
  title: 'Print the templates',
  text: 'Print them at full size and cut them out roughly. Where a template has several parts, trim one along its thin line and glue it over the dotted line of the other, cross on cross.',
  tool: 'printer, scissors',
  minutes: 4,
  tolerance: 'the 100 mm scale bar is 100 mm long, to half a millimetre',
  trick: 'Choose “actual size” in the print window. “Fit to page” shrinks the templates.',
  check: 'Measure the scale bar on each page.',
  shows: { pieces: ['deck', 'drive-strip', 'drive-wheel'] },
};

/** Turns of the first run. */
const FIRST_TURNS = 2;

/** The last check: what this car is predicted to do, wound so little, and half of it. */
function firstRunCheck(design: CarDesign, format: Format): string {
  const turns = Math.min(FIRST_TURNS, fullTurns(design));
  const prediction = predictRun(design, { kind: 'turns', turns });
  const distance = prediction.kind === 'ran' ? prediction.result.distance : 0;
  return distance < LEAST_RUN
    ? 'Wound so little, this car is predicted to stay where it is. Wind it further, two turns at a time, until it rolls away.'
    : `It rolls away and stops by itself after ${format(distance / 2, 'distance')} or more: half of the ${format(distance, 'distance')} that is predicted.`;
}
/** m below which a run is none. */
const LEAST_RUN = 0.1;

/** What comes last: weigh, push, wind a little. */
export function firstRun(design: CarDesign, format: Format): BuildStep {
  const roller = isRoller(design);
  return {
    ...PLAIN_STEP,
    id: 'first-run',
    title: 'Weigh it and roll it',
    text: `Weigh it and roll it unwound along a line on the floor. Then wind ${FIRST_TURNS} turns and release it from the line. ${describeFullWind(design)}`,
    tool: 'kitchen scale, tape on the floor',
    minutes: 4,
    tolerance: 'within half a metre of the line after five metres',
    trick: roller
      ? 'Hold the roller and turn the arm like the hand of a clock. Put it down with the arm behind.'
      : 'Wind by turning the wheels backwards, with both thumbs.',
    caution: 'Release from behind and to one side. Keep faces and pets off the track.',
    check: firstRunCheck(design, format),
    shows: { part: 'drive-wheel' },
  };
}
