import type { CarDesign, Floor, MotorKind } from '../car/car-design.ts';
import { newCar, woundByFeel } from '../car/new-car.ts';
import type { Brief, Round, Rules } from './brief.ts';
import { GOAL_FORMS, goalOfKind, type Goal } from './goal.ts';

/** Questions for somebody who has no brief yet. */
export interface Answers {
  readonly name: string;
  readonly setBy: string;
  readonly goal: Goal;
  /** m of floor from the line to the wall; null where nothing is in the way. */
  readonly room: number | null;
  /** null: any. */
  readonly drive: MotorKind | null;
}

/** A smooth, level floor. */
export const plainFloor = (roomLength: number | null): Floor => ({
  kind: 'smooth',
  slope: 0,
  stretches: [],
  edges: [],
  roomLength,
  laneWidth: null,
});

/** Rules that say nothing. */
export const NO_RULES: Rules = {
  drives: [],
  bands: null,
  length: null,
  width: null,
  height: null,
  mass: null,
  wheels: null,
  kit: [],
  budget: '',
  minutes: null,
  change: 'anything',
};

/** A round of a goal on a floor, three runs of which the best counts. */
export const newRound = (name: string, floor: string, goal: Goal): Round => ({
  name,
  floor,
  goal,
  load: 0,
  runs: 3,
  counts: 'best',
  points: [],
  inOnePiece: false,
});

const brief = (name: string, setBy: string, floors: Brief['floors'], rounds: readonly Round[], rules: Partial<Rules>): Brief => ({
  format: 'nimble-axle/brief',
  version: 1,
  name,
  setBy,
  floors,
  rounds: [...rounds],
  rules: { ...NO_RULES, ...rules },
});

/** A row of twigs as it begins: three, each higher than the last, m. */
const TWIGS = [2, 3, 4].map((at, i) => ({ at, height: 0.004 + 0.004 * i }));

/** A brief with twigs on every floor where they are to be climbed and none lie. */
export const withTwigs = (asked: Brief): Brief => ({
  ...asked,
  floors: asked.floors.map(({ name, floor }) => ({
    name,
    floor:
      floor.edges.length === 0 && asked.rounds.some((round) => round.floor === name && GOAL_FORMS[round.goal.kind].needsEdges)
        ? { ...floor, edges: TWIGS }
        : floor,
  })),
});

/** A brief of one round, from a few plain answers. */
export const briefOfAnswers = ({ name, setBy, goal, room, drive }: Answers): Brief => {
  return withTwigs(
    brief(name, setBy, [{ name: 'the floor', floor: plainFloor(room) }], [newRound('The run', 'the floor', goal)], {
      drives: drive ? [drive] : [],
    }),
  );
};

/** Briefs to begin from: common practice of classes, kitchens and clubs. Their figures are ours. */
export const TEMPLATES: Readonly<
  Record<'class' | 'kitchen' | 'club', { readonly label: string; readonly words: string; readonly brief: () => Brief }>
> = {
  class: {
    label: 'Class hall',
    words: 'At least 5 m on a hall floor, from a kit, in a double lesson.',
    brief: () =>
      brief(
        'Class challenge',
        'the class',
        [{ name: 'the hall', floor: { ...plainFloor(15), laneWidth: 2 } }],
        [{ ...newRound('Five metres', 'the hall', { kind: 'at-least', distance: 5 }), inOnePiece: true }],
        {
          bands: 4,
          length: 0.5,
          width: 0.25,
          minutes: 90,
          change: 'one-thing',
          kit: [
            { name: 'snap trap or rubber bands', count: 4 },
            { name: 'skewers', count: 3 },
            { name: 'discs', count: 4 },
            { name: 'drinking straws', count: 2 },
            { name: 'sheet of card', count: 1 },
          ],
        },
      ),
  },
  kitchen: {
    label: 'Kitchen floor',
    words: 'Stop as close as possible to a mark 3 m away, in 4 m of room.',
    brief: () =>
      brief(
        'Kitchen floor',
        'whoever does the dishes',
        [{ name: 'the kitchen', floor: plainFloor(4) }],
        [newRound('To the mark', 'the kitchen', { kind: 'closest-to', distance: 3 })],
        { change: 'winding' },
      ),
  },
  club: {
    label: 'Club evening',
    words: 'Three rounds with points: furthest, quickest to 6 m, most load over 4 m.',
    brief: () => {
      const points = [5, 3, 2, 1];
      return brief(
        'Club evening',
        'the club',
        [{ name: 'the club floor', floor: plainFloor(20) }],
        [
          { ...newRound('Furthest', 'the club floor', goalOfKind('furthest')), points },
          { ...newRound('Six metres', 'the club floor', { kind: 'quickest-to', distance: 6 }), points },
          { ...newRound('Carrier', 'the club floor', { kind: 'carry', distance: 4 }), points },
        ],
        { wheels: { least: 1, most: 4 }, bands: 6 },
      );
    },
  },
};

/** A car that already runs and keeps the rules of a brief: of the drive that is wanted or, where the rules forbid it, of the first they allow. */
export function firstCar(name: string, drive: MotorKind | null, worksTo: { readonly id: string; readonly brief: Brief }): CarDesign {
  const { drives } = worksTo.brief.rules;
  const kind = drive && (drives.length === 0 || drives.includes(drive)) ? drive : (drives[0] ?? 'lever');
  return { ...woundByFeel(newCar(name, kind)), brief: { id: worksTo.id, round: 0 } };
}
