import type { CarDesign, MeasuredValue } from '../car/car-design.ts';
import { BODIES, TYRES } from '../car/catalogue.ts';
import { MOST_WRAPS } from '../car/sleeves.ts';
import { TAPE } from '../car/tape.ts';
import { USUAL_END_PLAY } from '../car/new-car.ts';
import { placedMasses, standingWeight, weighedAt } from '../car/weights.ts';
import type { Fault } from '../fault.ts';
import { geometryOf } from '../geometry/motors/motors.ts';
import { modelOf } from '../motor/motors.ts';
import { isObject, type Item } from './json-item.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';

/** Whether this is a car design as version 1 of the format had it. */
export const isFirstVersion = (value: unknown): value is Item =>
  isObject(value) && value.format === 'nimble-axle/car-design' && value.version === 1;

/** The body reached so far beyond axle or trap in version 1, m. */
const OVERHANG = 0.018;

/** What version 1 said of a car's weight, without ballast, and what it had measured under other names. */
export interface FirstVersion {
  readonly mass: number;
  readonly driveLoadShare: number;
  readonly slidingGrip?: MeasuredValue;
  readonly outOfSquare?: MeasuredValue;
  readonly bandEfficiency?: MeasuredValue;
}

/** A version 1 design under the keys of version 2, its weight still to be placed; or what of the old keys cannot be. */
export function renamed(design: Item): { readonly draft: Item; readonly said: FirstVersion } | { readonly faults: readonly Fault[] } {
  const { mass, driveLoadShare, ...kept } = design;
  const faults: Fault[] = [];
  const number = (path: string, value: unknown, most: number): void => {
    if (value === undefined) faults.push({ path, code: 'missing' });
    else if (typeof value !== 'number') faults.push({ path, code: 'expected', what: 'a number' });
    else if (value < 0) faults.push({ path, code: 'bound', limit: { is: 'least', value: 0 } });
    else if (value > most) faults.push({ path, code: 'bound', limit: { is: 'most', value: most } });
  };
  number('mass', mass, 5);
  number('driveLoadShare', driveLoadShare, 1);
  if (mass === 0) faults.push({ path: 'mass', code: 'bound', limit: { is: 'above', value: 0 } });
  if (faults.length > 0) return { faults };
  const { slidingGrip, outOfSquare, bandEfficiency, ...measured } = isObject(design.measured) ? design.measured : {};
  const axle = Number(design.axleDiameter);
  const sleeve = Array.isArray(design.sleeve)
    ? design.sleeve.map((step: unknown) => {
        if (!isObject(step)) return step;
        const wraps = (Number(step.diameter) - axle) / 2 / TAPE;
        // What was thicker than builders wind tape was made of something else.
        return { kind: wraps < MOST_WRAPS + 0.5 ? 'tape' : 'other', ...step };
      })
    : design.sleeve;
  return {
    draft: {
      ...kept,
      version: 2,
      rest: { mass: 0, fromDriveAxle: 0 },
      weighed: null,
      load: { mass: 0, fromDriveAxle: Math.min(Math.max(Number(design.wheelbase) / 2 || 0, 0), 1) },
      endPlay: USUAL_END_PLAY,
      sleeve,
      ...(isObject(design.floor) ? { floor: { ...design.floor, stretches: [], edges: [] } } : {}),
      ...(isObject(design.body)
        ? { body: { ...design.body, overhang: 2 * OVERHANG, notched: isObject(design.motor) && design.motor.kind === 'lever' } }
        : {}),
      ...(isObject(design.measured) ? { measured } : {}),
    },
    said: { mass, driveLoadShare, slidingGrip, outOfSquare, bandEfficiency } as FirstVersion,
  };
}

/** `value` of a measured one in the new terms, with the spread it had. */
const measuredAs = (value: number, { spread }: MeasuredValue): MeasuredValue => ({ value, spread });

/** A body so light that the car weighs what it was said to; as it is where that is enough. */
function lightEnough(design: CarDesign, mass: number): CarDesign {
  const body = placedMasses(design).find(({ what }) => what === 'body');
  const others = standingWeight(design).mass - (body?.mass ?? 0);
  if (!body || others + body.mass <= mass) return design;
  const areaDensity = (BODIES[design.body.kind].areaDensity * Math.max(mass - others, 0.05 * body.mass)) / body.mass;
  const { values, ...part } = design.own?.body ?? { name: BODIES[design.body.kind].label, evidence: 'estimated', values: {} };
  return { ...design, own: { ...design.own, body: { ...part, values: { ...values, areaDensity } } } };
}

/**
 * A design of version 1 in the terms of version 2, so that it weighs and sits on its axles as it said, and what was measured of it is stored:
 * what a wheel out of square by δ scrubbed, (2/π) · sliding grip · δ, as a rub of that times the radius; the grip while it slides as a fraction; the energy
 * rubber gave back as a loss for each length it is stretched.
 */
export function placed(draft: CarDesign, said: FirstVersion): CarDesign {
  const reach = geometryOf(draft.motor).deckReach(draft.motor);
  const overhang = 2 * (Math.max(draft.wheelbase, reach) + OVERHANG - draft.wheelbase);
  const onBody = { ...draft, body: { ...draft.body, overhang: Math.min(Number(overhang.toFixed(6)), 2) } };
  const fraction = draft.otherWheels ? said.driveLoadShare : 1;
  const total = said.mass + draft.ballast.mass;
  const moment = said.mass * (1 - fraction) * draft.wheelbase + draft.ballast.mass * draft.ballast.fromDriveAxle;
  const lighter = lightEnough(onBody, total);
  const weighed = weighedAt(lighter, { mass: total, driveLoadShare: draft.otherWheels ? 1 - moment / (total * draft.wheelbase) : 1 });
  // What scale and format do not take is left to be weighed again: a hair below its parts is nothing left over, ballast may have tipped it.
  const rest = {
    mass: weighed.rest.mass < 0 ? 0 : weighed.rest.mass,
    fromDriveAxle: Math.min(Math.max(weighed.rest.fromDriveAxle, -10), 10),
  };
  const { driveLoadShare } = weighed.weighed!;
  const design: CarDesign = { ...weighed, rest, weighed: driveLoadShare >= 0 && driveLoadShare <= 1 ? weighed.weighed : null };
  const { slidingGrip, outOfSquare, bandEfficiency } = said;
  const grip = design.measured.staticGrip?.value ?? TYRES[design.tyre].staticGrip;
  const sliding = slidingGrip?.value ?? grip * TYRES[design.tyre].slidingRatio;
  const setup = deriveRunSetup(design).motor;
  const stretch = modelOf(setup).stretch(setup) ?? 1;
  return {
    ...design,
    measured: {
      ...design.measured,
      ...(slidingGrip ? { slidingRatio: measuredAs(Math.min(sliding / grip, 1), slidingGrip) } : {}),
      ...(outOfSquare
        ? { rub: measuredAs((2 / Math.PI) * outOfSquare.value * sliding * (design.driveWheels.diameter / 2), outOfSquare) }
        : {}),
      ...(bandEfficiency && stretch > 1
        ? { bandLoss: measuredAs(Math.max(1 - bandEfficiency.value, 0) / (stretch - 1), bandEfficiency) }
        : {}),
    },
  };
}
