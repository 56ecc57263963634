import type { CarDesign, Floor } from '../car/car-design.ts';
import type { Fault } from '../fault.ts';
import type { Limits } from '../car/car-design.ts';
import type { Brief, Round, Rules } from '../schema/generated/brief.ts';
import type { Size } from '../car/size.ts';
import { ownSizesOf } from '../car/sizes.ts';
import { aimOf, GOAL_FORMS, choosesLoad, goalOf } from './goal.ts';

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
    else if (GOAL_FORMS[goal.kind].needsEdges && floors[names.indexOf(floor)]!.floor.edges.length === 0)
      faults.push({ path: `rounds[${i}].floor`, code: 'not-valid', reason: 'has no twigs or steps to climb' });
  });
  for (const key of ['length', 'width', 'height', 'mass'] as const) {
    const [least, most] = [rules.least?.[key], rules[key]];
    if (least !== undefined && most !== null && most < least)
      faults.push({ path: `rules.${key}`, code: 'against', must: 'reach', other: `rules.least.${key}` });
  }
  if (rules.wheels && rules.wheels.most < rules.wheels.least)
    faults.push({ path: 'rules.wheels.most', code: 'against', must: 'reach', other: 'rules.wheels.least' });
  return faults;
}

/** The car as it runs a round: on its floor, with the load that all carry, or with its own where that is what counts. */
export function designForRound(design: CarDesign, { floors }: Brief, { floor: name, load, goal }: Round): CarDesign {
  return onFloor(design, floors.find((one) => one.name === name)!.floor, choosesLoad(goal) ? null : load);
}

/** The car on another floor. `load`: kg that it has to carry there; null where it carries its own. */
export function onFloor(design: CarDesign, floor: Floor, load: number | null): CarDesign {
  const { slope, ...besides } = design.measured;
  return {
    ...design,
    // A slope that was measured of no floor by name is not this one's; one that says of which holds there alone (valueOf).
    measured: slope?.of === undefined ? besides : design.measured,
    floor,
    load: load === null ? design.load : { ...design.load, mass: load },
  };
}

/** What of a brief's rules a design can keep or break. */
export const limitsOf = ({
  length,
  width,
  height,
  mass,
  bands,
  parts,
  drives,
  bandSizes,
  traps,
  wheels,
  least,
  lengthOf,
  leverAt,
  measuredAt,
}: Rules): Limits => ({
  length,
  width,
  height,
  mass,
  bands,
  drives,
  wheels,
  ...(parts && { parts }),
  ...(bandSizes && { bandSizes }),
  ...(traps && { traps }),
  ...(least && { least }),
  ...(lengthOf && { lengthOf }),
  ...(leverAt && { leverAt }),
  ...(measuredAt && { measuredAt }),
});

/** The round that a car is seen in; the last where its own is there no more. */
export const roundOf = ({ brief: worksTo }: CarDesign, { rounds }: Brief): Round => rounds[worksTo?.round ?? 0] ?? rounds.at(-1)!;

/** Whether a car is judged by all rounds of its brief: so it is, where there are several, unless one was chosen. */
export const aimsAtAll = ({ brief: worksTo }: CarDesign, { rounds }: Brief): boolean => rounds.length > 1 && worksTo?.aim !== 'round';

/** A car as its brief asks: floor, load, aim and limits are those of the brief, in the round the car is seen in. */
export function designForBrief(design: CarDesign, brief: Brief): CarDesign {
  const round = roundOf(design, brief);
  return { ...designForRound(design, brief, round), aim: aimOf(round.goal), limits: limitsOf(brief.rules) };
}

/** Sizes of a car that are its own to choose: floor and load are the brief's, where it works to one that does not count the load. */
export const sizesToChoose = (design: CarDesign): readonly Size[] =>
  ownSizesOf(design).filter(({ id, group }) => !design.brief || (group !== 'floor' && (id !== 'load' || choosesLoad(goalOf(design.aim)))));
