import type { Tuning } from '../../../core/trials/tuning.ts';
import { printQuantity, type UnitSystem } from '../../../core/units/quantity.ts';
import type { Explanation } from '../../ui/explanation.ts';
import { intervalWords, percent } from './tune-words.ts';

/** The figures of the station, each with what it is made of. */
export type TuneFigure =
  | 'mean'
  | 'next run'
  | 'fork'
  | 'resistance'
  | 'energy'
  | 'scatter'
  | 'held out'
  | 'further'
  | 'room'
  | 'like runs'
  | 'before any run'
  | 'signs'
  | 'cause'
  | 'gain'
  | 'effort'
  | 'schools'
  | 'straight'
  | 'verdict'
  | 'mark';

type Told = Explanation['numbers'][number];

/** Runs that were fitted, how they lie, and what the model lacks: what most figures are made of. */
function madeOf({ groups, scatter }: Tuning): readonly Told[] {
  const runs = groups.flatMap(({ distances }) => distances);
  const walls = runs.filter(({ isWall }) => isWall).length;
  return [
    [
      'runs',
      String(runs.length),
      `in ${groups.length} ${groups.length === 1 ? 'group' : 'groups'} of like runs${walls > 0 ? `; ${walls} into the wall count as “at least”` : ''}`,
    ],
    ['scatter of one run', percent(scatter), 'fitted; thought of as 6 % before any run'],
  ];
}

const FORMULAS: Readonly<Record<TuneFigure, { readonly title: string; readonly formula: string }>> = {
  mean: {
    title: 'What it does on average',
    formula:
      'The run model is fitted to all runs at once: every value that is not known is moved from what was thought of it, as far as the runs ask for and as little as they allow. The range holds 9 in 10 of what is then still possible.',
  },
  'next run': {
    title: 'Its next run',
    formula:
      'The mean, and on top of it the scatter from one run to the next and the width of the tape. 9 in 10 of its next runs lie within.',
  },
  fork: {
    title: 'Two ends of a fork',
    formula:
      'So near to wheelspin a little grip decides. The first is where the tyres grip 15 % more than they need, the second where they grip 15 % less.',
  },
  resistance: {
    title: 'How hard it rolls',
    formula:
      'What resists it on its way at a full wind, fitted over thought: rolling, bearings, rubbing, air and slope together. Single values are told apart badly by distances; their sum is told well.',
  },
  energy: {
    title: 'How strong its motor is',
    formula:
      'The energy its motor gives at a full wind, fitted over thought. Stop times and gates tell it apart from resistance; distances alone hardly do.',
  },
  scatter: {
    title: 'How runs differ',
    formula:
      'The standard deviation of one run, as a share of its way at a full wind: what resists and what the motor gives differ a little each time. Found on a grid of eight sizes, each weighed by how well it explains the runs.',
  },
  'before any run': {
    title: 'What was thought before any run',
    formula:
      'What such cars do by the spreads of their values, before a run is known, beside the mean of the group with the most runs. Fewer than 1 in 20 such cars lie so far off where it is surprising, fewer than 1 in 1000 where it is impossible.',
  },
  'held out': {
    title: 'What it was not fitted to',
    formula:
      'The car is fitted again without this group, and asked for it. A model that is right is as far off as it says: 1 group in 20 is called surprising then, 1 in 1000 impossible.',
  },
  further: {
    title: 'What would tell most',
    formula:
      'The share of the variance of a full wind that is gone once this one run is added to the fit: (slope · slope)² over what the run itself scatters.',
  },
  room: {
    title: 'Turns for a short room',
    formula: 'The most half turns with which 9 in 10 of the fitted car’s next runs stop before the wall.',
  },
  'like runs': {
    title: 'Mean and scatter of like runs',
    formula:
      'Same car, winding, floor and direction. Where none hit the wall: mean and standard deviation, the range by Student’s t. Else the likeliest normal of which walls cut off the far end, its range open above where the runs do not bound it.',
  },
  signs: {
    title: 'Drift, odd runs, growing scatter',
    formula:
      'All runs of which there are three or more alike, each against the mean of its own, in ln. Drift: the slope from run to run, where luck makes one so steep less than 1 time in 20 (Student’s t). Odd: further from the others than luck puts one of them 1 time in 20. Growing scatter: Kendall’s τ of how far they lie from their mean.',
  },
  cause: {
    title: 'How likely, and how many metres',
    formula:
      'The car is fitted once without a fault, and once with each. How well each explains the runs, times what is thought of it before (4 in 10 that nothing is wrong), times what was seen and checked. Its metres are what it takes from the run that went furthest.',
  },
  gain: {
    title: 'What a change gains',
    formula:
      'The fitted car with the one change, less the fitted car without it, by what the brief asks. The same for 60 cars that the runs allow, with what is not known of a new part: 9 in 10 gains lie within the range, and the chance is the share that gain. Told only from 4 in 5, and beyond what the scatter hides.',
  },
  effort: {
    title: 'What a change takes',
    formula: 'Our estimate: ten minutes at the table, and a quarter of an hour for each part that is got or made.',
  },
  schools: {
    title: 'What schools say',
    formula: 'The fitted car at its most likely values, with the one thing less and more. Nothing else is changed.',
  },
  straight: {
    title: 'How far to move an axle',
    formula:
      'A steady curve takes a car off the line by way² · curvature / 2. The mean curvature of the runs that tell a drift, out and back together where both were made, over the wheelbase: the one end moves by track width · wheelbase · curvature.',
  },
  verdict: {
    title: 'Did it help?',
    formula:
      'The difference of the means of ln distance. The scatter of both is weighed by the runs, by other groups of this car and by what is usual; two groups on different days differ by 2 % more. Better or worse from 94 % sureness; no difference where it is under 3 % and surely under 5 %.',
  },
  mark: {
    title: 'Their next runs, by the brief',
    formula:
      'One more run of each about its mean, with the scatter of both: how often the second does better by what the brief asks, and how often each comes to its mark.',
  },
};

/** How a figure of the station came about, with the numbers that went into it. */
export const explainTuning =
  (tuning: Tuning, units: UnitSystem) =>
  (figure: string): Explanation => {
    const { full, learnt, groups } = tuning;
    const shown = FORMULAS[figure as TuneFigure];
    const more: Partial<Record<TuneFigure, readonly Told[]>> = {
      ...(full && {
        mean: [['fully wound', intervalWords(full.mean, units), 'fitted; 9 in 10']],
        'next run': [['on average', intervalWords(full.mean, units), 'fitted; 9 in 10']],
      }),
      ...(learnt && {
        resistance: [['not known before, still not known', percent(learnt.resistance.left), 'of the spread']],
        energy: [['not known before, still not known', percent(learnt.energy.left), 'of the spread']],
      }),
      'like runs': groups.flatMap(({ spread, distances }, i): Told[] =>
        spread ? [[`group ${i + 1}`, printQuantity(spread.mean, 'distance', units), `mean of ${distances.length}`]] : [],
      ),
    };
    return { ...shown, numbers: [...(more[figure as TuneFigure] ?? []), ...madeOf(tuning)] };
  };
