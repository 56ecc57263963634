import type { CarDesign } from '../car/car-design.ts';
import type { Fault } from '../fault.ts';
import type { Brief, Round } from '../schema/generated/brief.ts';

export type { Brief, Round, Rules } from '../schema/generated/brief.ts';

/** What a schema cannot say of a brief: floors and rounds that go together. */
export function briefFaults({ floors, rounds, rules }: Brief): Fault[] {
  const names = floors.map(({ name }) => name);
  const faults: Fault[] = [];
  names.forEach((name, i) => {
    if (names.indexOf(name) < i) faults.push({ path: `floors[${i}].name`, code: 'not-valid', reason: 'is the name of another floor' });
  });
  rounds.forEach(({ floor, goal }, i) => {
    if (!names.includes(floor)) faults.push({ path: `rounds[${i}].floor`, code: 'choice', among: names });
    else if (goal.kind === 'highest-edge' && floors[names.indexOf(floor)]!.floor.edges.length === 0)
      faults.push({ path: `rounds[${i}].floor`, code: 'not-valid', reason: 'has no twigs or steps to climb' });
  });
  if (rules.wheels && rules.wheels.most < rules.wheels.least)
    faults.push({ path: 'rules.wheels.most', code: 'against', must: 'reach', other: 'rules.wheels.least' });
  return faults;
}

/** The car as it runs a round: on its floor, with the load that all carry, or with its own where that is what counts. */
export function inRound(design: CarDesign, { floors }: Brief, { floor: name, load, goal }: Round): CarDesign {
  const { floor } = floors.find((one) => one.name === name)!;
  const choosesLoad = goal.kind === 'carry' || goal.kind === 'load-distance';
  const { slope: _slope, ...measured } = design.measured;
  return {
    ...design,
    // What was measured of another floor's slope is not this one's.
    measured,
    floor,
    load: choosesLoad ? design.load : { ...design.load, mass: load },
  };
}
