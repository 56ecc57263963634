import { standingWeight } from '../car/weights.ts';
import type { CarDesign } from '../car/car-design.ts';
import { valueOf } from '../car/values.ts';
import { curvatureOf, driftAfter, likelyCurvature } from '../predict/straightness.ts';
import { predictRun } from '../predict/predict-run.ts';
import { energyShare, type EnergyBudget } from '../run/energy.ts';
import { formatAbout, formatPredicted, formatQuantity, type UnitSystem } from '../units/quantity.ts';
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
  const fraction = (...parts: readonly (keyof EnergyBudget)[]): string =>
    result ? `${Math.round(100 * parts.reduce((sum, part) => sum + energyShare(result, part), 0))} %` : '–';
  const about = (metres: number): string => formatAbout(metres, 'distance', units);
  const { mass, driveLoadShare } = standingWeight(design);
  const grip = valueOf(design, 'staticGrip').value;
  const off = driftAfter(Math.abs(curvatureOf(design)) + likelyCurvature(design), 5);
  const ofThisCar = (words: string): string =>
    result && figures ? words : 'This car cannot run as it is designed. Fix it in Design first.';
  return [
    {
      idea: 'energy',
      words: [
        'Winding stretches rubber or bends a spring. Your work is stored as potential energy. When you let go, you get it back, except for what the rubber or spring turns into heat (hysteresis).',
        'No energy is lost. What does not move the car warms bearings, tyres, floor and air. That is why the parts always add up to the whole.',
      ],
      formula: 'E = ∫ τ dθ: torque times angle, added up',
      source: 'work of a torque, any mechanics handbook',
      onCar: ofThisCar(
        `${formatPredicted(figures?.energy ?? 0, 'energy', units)} is stored. ${fraction('hysteresis')} stays in spring or rubber, ${fraction('rolling')} goes into rolling, ${fraction('driveBearing', 'otherBearing')} into the bearings, ${fraction('slip')} into wheelspin.`,
      ),
    },
    {
      idea: 'pull',
      words: [
        'The same energy can be a strong pull over a short distance or a weak pull over a long one. The area under the pull curve (tractive force against distance) is the same.',
        'Pull above the grip of the tyres is wasted. When the pull is below the resistance, the car slows down, and its motion carries it on for a while. Between the two limits you can choose.',
      ],
      formula: 'E = F · s for a constant pull',
      source: 'work, Newton’s second law',
      onCar: ofThisCar(
        `It pulls with ${formatPredicted(figures?.pull ?? 0, 'force', units)} at the launch, and for ${result?.powerEndDistance == null ? 'the whole distance' : about(result.powerEndDistance)}.`,
      ),
    },
    {
      idea: 'gears',
      words: [
        'Lever, axle and wheel work like gears (mechanical advantage). A long lever draws a lot of string with little force. A thin axle turns often for that string. A large wheel goes far for each turn.',
        'What you gain in distance you lose in pull, and the other way round. The energy does not change.',
        'String stretches too. The first degrees of the lever only take up its stretch, so use a thin braided line rather than wool.',
      ],
      formula: 'F = τ / R at the wheel; distance per turn 2πR',
      source: 'law of the lever, Archimedes',
      onCar: ofThisCar(
        `A turn of its drive wheel carries it ${formatQuantity(Math.PI * design.driveWheels.diameter, 'distance', units)}, and draws ${formatQuantity(Math.PI * design.axleDiameter, 'size', units)} of string or band from the bare axle.`,
      ),
    },
    {
      idea: 'grip',
      words: [
        'The floor pushes the car, not the motor: Newton’s third law. It cannot push harder than the coefficient of friction times the load on the drive wheels (normal load).',
        'More pull than that only spins the wheels. More grip than needed changes nothing, and soft tyres have more rolling resistance.',
      ],
      formula: 'F ≤ μ N',
      source: 'Amontons’ law of friction',
      onCar: ofThisCar(
        `Its grip is ${Number(grip.toPrecision(2))}, and ${Math.round(100 * driveLoadShare)} % of its weight rests on the drive wheels. That is ${Number((result?.launchGripRatio ?? 0).toPrecision(2))} times what the launch needs.`,
      ),
    },
    {
      idea: 'rolling',
      words: [
        'A rolling wheel deforms a little, and so does the floor (rolling resistance). Axles rub in their bearings and hubs on the body. Together they take the same energy from every metre, fast or slow.',
        'Friction is not bad by itself. Without it the wheels would spin and the car would not move.',
        'Where wood turns on wood, rub graphite on it from a soft pencil: friction falls by about a third. Oil makes wood swell.',
      ],
      formula: 'F = (b/R) N for rolling, μ N r/R for a bearing',
      source: 'Coulomb',
      onCar: ofThisCar(
        `${fraction('rolling')} of its energy goes into rolling and friction at the hubs, ${fraction('driveBearing', 'otherBearing')} into the bearings.`,
      ),
    },
    {
      idea: 'coasting',
      words: [
        'When the pull ends the car keeps moving: Newton’s first law. It uses up its kinetic energy against the resistance.',
        'A band or loop that drops off lets the car coast. A tied one winds up again and brakes.',
      ],
      formula: '½ m v² = F s',
      source: 'work and kinetic energy',
      onCar: ofThisCar(
        `${result?.powerEndDistance == null ? 'It stops before its pull ends' : `It coasts for ${about(result.distance - result.powerEndDistance)} of ${about(result.distance)}`}.`,
      ),
    },
    {
      idea: 'mass',
      words: [
        'A heavy car is harder to accelerate (inertia) and presses harder on the floor, so its rolling resistance is higher. It also grips better and keeps moving longer.',
        'Light or heavy: both can be right. Try it on your car. The longest bar is its best weight, and Design shows the peak in finer steps.',
      ],
      formula: 'F = m a',
      source: 'Newton’s second law',
      onCar: ofThisCar(`It weighs ${formatQuantity(mass, 'weight', units)}, ready to run.`),
    },
    {
      idea: 'straight',
      words: [
        'Axles that are not parallel steer the car in a curve, like a car with its wheels turned. The tyres do not scrub: the car goes as far, but to another place.',
        'Run it both ways along one line. A drift due to the floor changes sides; a drift due to the car does not.',
      ],
      formula: 'off the line ≈ κ s²/2',
      source: 'geometry of the circle',
      onCar: ofThisCar(
        `Built with this care it may be ${formatPredicted(off, 'distance', units)} off the line after ${formatPredicted(5, 'distance', units)}.`,
      ),
    },
    {
      idea: 'air',
      words: [
        'A moving car pushes air aside. At twice the speed the drag is four times as large. It hardly matters to a slow car, and a lot to a fast one.',
        'What counts is the area that you see from the front.',
      ],
      formula: 'F = ½ ρ c A v²',
      source: 'drag equation, Rayleigh',
      onCar: ofThisCar(`At up to ${formatPredicted(figures?.speed ?? 0, 'speed', units)} air takes ${fraction('air')} of its energy.`),
    },
    {
      idea: 'luck',
      words: [
        'No two runs are the same: the start, the dust and the winding of the string differ. The runs of a car scatter about a mean (standard deviation), by some 6 % of the distance.',
        'One run tells little about a change; the mean of three tells more. Before you believe a difference, ask whether it is larger than luck.',
      ],
      formula: 'scatter of a mean = σ/√n',
      source: 'statistics, Gauss',
      onCar: ofThisCar(
        `8 in 10 of its next runs would lie within ${about(meanWithin(result?.distance ?? 0, 1))} of their mean; 8 in 10 means of three within ${about(meanWithin(result?.distance ?? 0, 3))}.`,
      ),
    },
  ];
}
