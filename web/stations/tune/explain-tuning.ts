import type { Tuning } from '../../../core/trials/tuning.ts';
import { formatQuantity, type UnitSystem } from '../../../core/units/quantity.ts';
import type { Explanation } from '../../ui/explanation.ts';
import { formatInterval, percent } from './describe-tuning.ts';

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
      `in ${groups.length} ${groups.length === 1 ? 'group' : 'groups'} of like runs${walls > 0 ? `; ${walls} that hit the wall count as “at least”` : ''}`,
    ],
    ['scatter of one run', percent(scatter), 'fitted; 6 % was expected before any run'],
  ];
}

const FORMULAS: Readonly<Record<TuneFigure, { readonly title: string; readonly formula: string }>> = {
  mean: {
    title: 'Mean distance',
    formula:
      'The run model is fitted to all runs at once. Each uncertain value moves from its expected value as far as the runs require. The mean lies in this range 9 times in 10.',
  },
  'next run': {
    title: 'The next run',
    formula:
      'The mean, plus the scatter from one run to the next and the resolution of the tape. 9 in 10 of its next runs lie in this range.',
  },
  fork: {
    title: 'Two possible distances',
    formula:
      'This close to wheelspin a little grip decides. The first distance is for tyres with 15 % more grip than the launch needs, the second for 15 % less.',
  },
  resistance: {
    title: 'Rolling resistance',
    formula:
      'The total resistance over a full wind, fitted divided by expected: rolling, bearings, rubbing, air and slope together. Distances hardly separate the single values; they determine the sum well.',
  },
  energy: {
    title: 'Motor energy',
    formula:
      'The energy that its motor gives at a full wind, fitted divided by expected. Stop times and gates separate it from the resistance; distances alone hardly do.',
  },
  scatter: {
    title: 'Scatter of runs',
    formula:
      'The standard deviation of one run, as a fraction of its distance at a full wind. Resistance and motor energy differ a little in each run. Eight sizes of the scatter are tried, each weighted by how well it explains the runs.',
  },
  'before any run': {
    title: 'Prediction before any run',
    formula:
      'Cars like this, with their uncertain values and before any run, compared with the mean of the largest group of runs. “Surprising” means: fewer than 1 car in 20 lies so far off. “Impossible” means fewer than 1 in 1000.',
  },
  'held out': {
    title: 'Group that was left out',
    formula:
      'The car is fitted again without this group, and then predicts it. With a correct model, 1 group in 20 is called surprising and 1 in 1000 impossible.',
  },
  further: {
    title: 'The most useful next run',
    formula:
      'The fraction of the variance of a full wind that disappears when this one run is added to the fit: (slope · slope)² divided by the scatter of the run itself.',
  },
  room: {
    title: 'Turns for a short room',
    formula: 'The most half turns with which 9 in 10 of the next runs stop before the wall.',
  },
  'like runs': {
    title: 'Mean and scatter of like runs',
    formula:
      'Same car, winding, floor and direction. If no run hit the wall: mean, standard deviation and the range by Student’s t. Otherwise: maximum likelihood of a normal distribution that is censored at the wall. Its range has no upper end where the runs do not bound it.',
  },
  signs: {
    title: 'Drift, outliers, growing scatter',
    formula:
      'All groups with at least three like runs, each run against the mean of its group, in ln. Drift: the slope from run to run is steeper than luck makes it 1 time in 20 (Student’s t). Outlier: further from the others than luck puts one of them 1 time in 20. Growing scatter: Kendall’s τ of the deviations from the mean.',
  },
  cause: {
    title: 'Probability and metres',
    formula:
      'The car is fitted once without a fault and once with each fault. The probability is how well each explains the runs, times the prior (4 in 10 that nothing is wrong), times the evidence that was seen or checked. The metres are taken from the run that went furthest.',
  },
  gain: {
    title: 'Gain of a change',
    formula:
      'The fitted car with the one change, minus the fitted car without it, by the goal of the brief. The same is done for 60 cars that fit the runs, with the uncertainty of a new part. 9 in 10 gains lie in the range; the chance is the fraction of cars that gain. Shown only from 4 in 5, and beyond what the scatter hides.',
  },
  effort: {
    title: 'Time for a change',
    formula: 'Our estimate: ten minutes at the table, plus a quarter of an hour for each part that you get or make.',
  },
  schools: {
    title: 'Design trade-offs',
    formula: 'The fitted car at its most likely values, with less and with more of one thing. Nothing else is changed.',
  },
  straight: {
    title: 'Distance to move an axle',
    formula:
      'A steady curve takes a car off the line by distance² · curvature / 2. The curvature is the mean of the runs with a drift, out and back together if there are both, divided by the wheelbase. The axle end moves by track width · wheelbase · curvature.',
  },
  verdict: {
    title: 'Did it help?',
    formula:
      'The difference between the means of ln distance. The scatter comes from these runs, from other groups of this car and from usual cars. Two groups on different days differ by 2 % more. “Better” or “worse” needs a probability of 94 %. “No difference” means under 3 %, and almost surely under 5 %.',
  },
  mark: {
    title: 'Their next runs, by the brief',
    formula:
      'One more run of each about its mean, with the scatter of both. It tells how often the second does better by the goal, and how often each reaches its mark.',
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
        mean: [['fully wound', formatInterval(full.mean, units), 'fitted; 9 in 10']],
        'next run': [['on average', formatInterval(full.mean, units), 'fitted; 9 in 10']],
      }),
      ...(learnt && {
        resistance: [['uncertainty before, uncertainty now', percent(learnt.resistance.left), 'of the standard deviation']],
        energy: [['uncertainty before, uncertainty now', percent(learnt.energy.left), 'of the standard deviation']],
      }),
      'like runs': groups.flatMap(({ spread, distances }, i): Told[] =>
        spread ? [[`group ${i + 1}`, formatQuantity(spread.mean, 'distance', units), `mean of ${distances.length}`]] : [],
      ),
    };
    return { ...shown, numbers: [...(more[figure as TuneFigure] ?? []), ...madeOf(tuning)] };
  };
