import { standingWeight } from '../car/weights.ts';
import type { CarDesign } from '../car/car-design.ts';
import { valueOf } from '../car/values.ts';
import { curvatureOf, driftAfter, likelyCurvature } from '../predict/straightness.ts';
import { predictRun } from '../predict/predict-run.ts';
import { energyShare, type EnergyBudget } from '../run/energy.ts';
import { printAbout, printQuantity, type UnitSystem } from '../units/quantity.ts';
import { meanWithin } from './luck.ts';
import { figuresOf } from './measured-car.ts';
import type { Idea } from './idea.ts';

/** One idea: in plain words, the term beside the word, a formula with its source, and what it is on this car. */
export interface IdeaPage {
  readonly idea: Idea;
  readonly words: readonly string[];
  readonly formula: string;
  readonly source: string;
  readonly onCar: string;
}

/** The ten ideas with this car’s own figures; of a car that does not run, without them. */
export function ideaPages(design: CarDesign, units: UnitSystem): readonly IdeaPage[] {
  const prediction = predictRun(design);
  const result = prediction.kind === 'ran' ? prediction.result : null;
  const figures = figuresOf(design);
  const share = (...parts: readonly (keyof EnergyBudget)[]): string =>
    result ? `${Math.round(100 * parts.reduce((sum, part) => sum + energyShare(result, part), 0))} %` : '–';
  const about = (metres: number): string => printAbout(metres, 'distance', units);
  const { mass, driveLoadShare } = standingWeight(design);
  const grip = valueOf(design, 'staticGrip').value;
  const off = driftAfter(Math.abs(curvatureOf(design)) + likelyCurvature(design), 5);
  const told = (words: string): string =>
    result && figures ? words : 'This car does not run as it is designed: put that right in Design first.';
  return [
    {
      idea: 'energy',
      words: [
        'Winding stretches rubber or bends a spring: your work is kept as energy (potential energy). Let go, it is given back, less what the rubber or spring keeps as heat (hysteresis).',
        'None of it is lost: what does not move the car warms bearings, tyres, floor and air. That is why the parts always add up to the whole.',
      ],
      formula: 'E = ∫ τ dθ: torque times angle, added up',
      source: 'work of a torque, any mechanics handbook',
      onCar: told(
        `${printQuantity(figures?.energy ?? 0, 'energy', units)} is wound in; ${share('hysteresis')} stays in spring or rubber, ${share('rolling')} goes into rolling, ${share('driveBearing', 'otherBearing')} into the bearings, ${share('slip')} into wheelspin.`,
      ),
    },
    {
      idea: 'pull',
      words: [
        'The same energy can be much pull for a short way, or little pull for a long one: the area under the pull curve (tractive force against distance) is the same.',
        'Above what the floor holds, pull is wasted. Below what holds the car back, the car slows down, and its motion carries it on for a while. Between the two lies everything you can choose.',
      ],
      formula: 'E = F · s for an even pull',
      source: 'work, Newton’s second law',
      onCar: told(
        `It pulls with ${printQuantity(figures?.pull ?? 0, 'force', units)} at the launch, and for ${result?.powerEndDistance == null ? 'all of its way' : about(result.powerEndDistance)}.`,
      ),
    },
    {
      idea: 'gears',
      words: [
        'Lever, axle and wheel are gears: a long lever draws much string for little force, a thin axle turns often for it, a large wheel goes far for each turn (mechanical advantage).',
        'What you gain in way you pay in pull, and the other way round. The energy does not change.',
      ],
      formula: 'F = τ / R at the wheel; way per turn 2πR',
      source: 'law of the lever, Archimedes',
      onCar: told(
        `A turn of its drive wheel carries it ${printQuantity(Math.PI * design.driveWheels.diameter, 'distance', units)}, and draws ${printQuantity(Math.PI * design.axleDiameter, 'size', units)} of string or band from the bare axle.`,
      ),
    },
    {
      idea: 'grip',
      words: [
        'The floor pushes the car, not the motor: Newton’s third law. It pushes no harder than grip (coefficient of friction) times the weight on the drive wheels (normal load).',
        'More pull than that only turns the wheels. More grip than that changes nothing, and soft tyres take more to roll.',
      ],
      formula: 'F ≤ μ N',
      source: 'Amontons’ law of friction',
      onCar: told(
        `Its grip is ${Number(grip.toPrecision(2))} and ${Math.round(100 * driveLoadShare)} % of its weight rest on the drive wheels; it holds ${Number((result?.launchGripRatio ?? 0).toPrecision(2))} times what the launch needs.`,
      ),
    },
    {
      idea: 'rolling',
      words: [
        'A rolling wheel gives a little, and so does the floor (rolling resistance); axles rub in their bearings, hubs at the body. Together they take the same in every metre, fast or slow.',
        'Friction is not bad by itself: without it the wheels would spin and the car would stand.',
      ],
      formula: 'F = (b/R) N for rolling, μ N r/R for a bearing',
      source: 'Coulomb',
      onCar: told(
        `${share('rolling')} of its energy goes into rolling and rubbing, ${share('driveBearing', 'otherBearing')} into bearings.`,
      ),
    },
    {
      idea: 'coasting',
      words: [
        'When the pull ends the car goes on: Newton’s first law. It has energy of motion (kinetic energy) and spends it on what holds it back.',
        'A band or loop that drops off lets it coast; one that is tied winds up again and brakes.',
      ],
      formula: '½ m v² = F s',
      source: 'work and kinetic energy',
      onCar: told(
        `${result?.powerEndDistance == null ? 'It stops before its pull ends' : `It coasts for ${about(result.distance - result.powerEndDistance)} of ${about(result.distance)}`}.`,
      ),
    },
    {
      idea: 'mass',
      words: [
        'A heavy car is harder to get going (inertia) and pressed harder on the floor: it rolls harder. It also holds better, and keeps its motion longer.',
        'Both schools are right on some car. Try it on yours: the longest bar is its best weight, and Design shows the peak more finely.',
      ],
      formula: 'F = m a',
      source: 'Newton’s second law',
      onCar: told(`It weighs ${printQuantity(mass, 'weight', units)}, ready to run.`),
    },
    {
      idea: 'straight',
      words: [
        'Axles that are not parallel steer the car in a curve, like a car whose wheel is turned. It does not scrub: it goes as far, but elsewhere.',
        'Run it both ways along one line: what is the floor’s changes sides, what is the car’s does not.',
      ],
      formula: 'off the line ≈ κ s²/2',
      source: 'geometry of the circle',
      onCar: told(
        `Built with this care it may be ${printQuantity(off, 'distance', units)} off the line after ${about(5).replace('about ', '')}.`,
      ),
    },
    {
      idea: 'air',
      words: [
        'Air must be pushed aside. Twice as fast, four times the push (drag): it hardly matters to a slow car, and much to a quick one.',
        'What counts is what the car looks like from the front.',
      ],
      formula: 'F = ½ ρ c A v²',
      source: 'drag equation, Rayleigh',
      onCar: told(`At up to ${printQuantity(figures?.speed ?? 0, 'speed', units)} air takes ${share('air')} of its energy.`),
    },
    {
      idea: 'luck',
      words: [
        'No run is like the last: the start, the dust, the wind of the string. A car’s runs lie about a mean with a scatter (standard deviation), some 6 % of the way.',
        'One run tells little of a change; the mean of three tells more. Ask whether a difference is larger than luck before you believe it.',
      ],
      formula: 'scatter of a mean = σ/√n',
      source: 'statistics, Gauss',
      onCar: told(
        `Of its next runs, 8 in 10 would lie within ${about(meanWithin(result?.distance ?? 0, 1))} of their mean; of means of three, within ${about(meanWithin(result?.distance ?? 0, 3))}.`,
      ),
    },
  ];
}
