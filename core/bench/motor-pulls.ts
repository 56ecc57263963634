import type { CarDesign } from '../car/car-design.ts';
import { likelyNumbers, valueOf } from '../car/values.ts';
import { deviated, type ValueKey } from '../car/value-table.ts';
import { makeMotorPoint } from '../motor/motor.ts';
import { modelOf } from '../motor/motors.ts';
import { deriveRunSetup } from '../predict/derive-run-setup.ts';
import { propagateUncertainty, makeEstimate, exactEstimate, type Estimate } from './estimate.ts';
import { linearFit } from './linear-fit.ts';
import { divisionOf, fitPlot, type MeasurementOf, type MeasurementResult, type InsufficientReadings } from './measured.ts';

/** Area under readings by straight lines between them, from one x to another. */
function areaUnder(x: readonly number[], y: readonly number[], from: number, to: number): number {
  const order = x.map((_, i) => i).sort((a, b) => x[a]! - x[b]!);
  const at = (place: number): number => {
    const next = order.findIndex((i) => x[i]! >= place);
    if (next <= 0) return y[order[next < 0 ? order.length - 1 : 0]!]!;
    const [a, b] = [order[next - 1]!, order[next]!];
    return y[a]! + ((y[b]! - y[a]!) * (place - x[a]!)) / (x[b]! - x[a]! || 1);
  };
  const places = [from, ...order.map((i) => x[i]!).filter((place) => place > from && place < to), to];
  return places.slice(1).reduce((sum, place, i) => sum + ((at(places[i]!) + at(place)) / 2) * (place - places[i]!), 0);
}

/** Share given back: area under letting back over area under pulling out, over the way that both were read. Spread: each reading off by its division, area by area (our estimate). */
function shareKept(
  out: { readonly x: readonly number[]; readonly y: readonly number[] },
  back: { readonly x: readonly number[]; readonly y: readonly number[] },
  scatter: number,
): Estimate {
  const from = Math.max(Math.min(...out.x), Math.min(...back.x));
  const to = Math.min(Math.max(...out.x), Math.max(...back.x));
  const area = ({ x, y }: typeof out): Estimate =>
    makeEstimate(areaUnder(x, y, from, to), ((to - from) * scatter) / Math.sqrt(x.length), Math.max(1, x.length - 2));
  return propagateUncertainty([area(back), area(out)], (gave, took) => gave / took);
}

const FEW: InsufficientReadings = { column: 'force', needs: 'at least three readings, not all at one position' };

/** Torque of a spring over its angle: τ = τ0 + κ α, rad, N·m. */
export function leverPull(measurement: MeasurementOf<'lever-pull'>): MeasurementResult | InsufficientReadings {
  const { angle, torque, force, reach } = measurement.readings;
  if (!torque && (!force || reach === undefined))
    return { column: 'torque', needs: 'the torque, or the force and its distance from the pivot' };
  const torqueOf = (pulls: { readonly torque?: readonly number[]; readonly force?: readonly number[] }): readonly number[] =>
    pulls.torque ?? (pulls.force ?? []).map((pull) => pull * (reach ?? 0));
  const y = torqueOf({ ...(torque && { torque }), ...(force && { force }) });
  const division = torque ? divisionOf(measurement, 'torque') : divisionOf(measurement, 'force') * (reach ?? 0);
  const fit = linearFit([angle.map(() => 1), angle], y, division);
  if (!fit) return FEW;
  const { back } = measurement;
  const returned = back && torqueOf({ ...(back.torque && { torque: back.torque }), ...(back.force && { force: back.force }) });
  return {
    values: {
      springPreload: fit.estimates[0]!,
      springRate: fit.estimates[1]!,
      ...(back &&
        returned &&
        returned.length > 1 && { springEfficiency: shareKept({ x: angle, y }, { x: back.angle, y: returned }, fit.scatter) }),
    },
    drawn: fitPlot({ across: 'angle from rest, rad', up: 'torque, N·m' }, angle, y, {
      residuals: fit.residuals,
      at: (x) => fit.sumOf([1, x]),
      division,
    }),
    remarks: [],
  };
}

/** Rubber in simple tension: F = 2A (c1 (λ − λ⁻²) + c2 (1 − λ⁻³)), linear in c1 and c2. Source: Mooney 1940, Rivlin 1948. */
export function bandPull(measurement: MeasurementOf<'band-pull'>): MeasurementResult | InsufficientReadings {
  const { flatLength, section, stretchedLength, force } = measurement.readings;
  const parts = (length: number): readonly [number, number] => {
    const stretch = length / flatLength;
    return [2 * section * (stretch - stretch ** -2), 2 * section * (1 - stretch ** -3)];
  };
  const division = divisionOf(measurement, 'force');
  const columns = stretchedLength.map(parts);
  const fit = linearFit(
    [0, 1].map((k) => columns.map((column) => column[k]!)),
    force,
    division,
  );
  if (!fit) return FEW;
  const { back } = measurement;
  const longest = Math.max(...stretchedLength) / flatLength;
  const loss =
    back && back.force.length > 1
      ? propagateUncertainty(
          [shareKept({ x: stretchedLength, y: force }, { x: back.stretchedLength, y: back.force }, fit.scatter)],
          (kept) => (1 - kept) / (longest - 1),
        )
      : null;
  return {
    values: { c1: fit.estimates[0]!, c2: fit.estimates[1]!, ...(loss && { bandLoss: loss }) },
    drawn: fitPlot({ across: 'stretched length, m', up: 'force, N' }, stretchedLength, force, {
      residuals: fit.residuals,
      at: (x) => fit.sumOf(parts(x)),
      division,
    }),
    remarks:
      fit.estimates.some(({ value }) => value < 0) || longest < 1.5
        ? ['These readings hardly separate the two coefficients. Stretch the band to twice its length or more.']
        : [],
  };
}

/** What a motor that is let back has lost already. */
export const SPENT_BESIDES: readonly ValueKey[] = ['springEfficiency', 'bandLoss', 'washerFriction'];

/** The values that a motor's pull is made of, each in proportion. */
export const PROPORTIONAL: Readonly<Record<CarDesign['motor']['kind'], readonly [ValueKey, ValueKey]>> = {
  lever: ['springPreload', 'springRate'],
  band: ['c1', 'c2'],
  twist: ['c1', 'c2'],
};

/** Pull at the rim of the held drive wheel, wound by so many turns: the run model's own torque over the wheel's radius, fitted in the motor's two values. */
export function rimPull(measurement: MeasurementOf<'rim-pull'>): MeasurementResult | InsufficientReadings {
  const { design } = measurement;
  const { turns, force, lettingBack = false } = measurement.readings;
  const numbers = likelyNumbers(design);
  const keys = PROPORTIONAL[design.motor.kind];
  const radius = design.driveWheels.diameter / 2;
  const point = makeMotorPoint();
  const pullAt = (wound: number, told: typeof numbers = numbers): number => {
    const { motor } = deriveRunSetup(design, { kind: 'turns', turns: wound }, told);
    const path = modelOf(motor).path(motor);
    const first = path.segments[path.first]!;
    first.evaluate(first.from, point);
    return (lettingBack ? point.torque : point.heldTorque) / radius;
  };
  /** What one unit of each value adds: the pull hangs on them in proportion; and what hangs on neither. */
  const parts = (wound: number): readonly number[] =>
    keys.map((key) => (pullAt(wound, { ...numbers, [key]: 2 * numbers[key]! }) - pullAt(wound)) / numbers[key]!);
  const rest = (wound: number): number => pullAt(wound) - parts(wound).reduce((sum, part, k) => sum + part * numbers[keys[k]!]!, 0);
  const wound = turns.map((count) => Math.max(count, LEAST_TURNS));
  const columns = wound.map(parts);
  const offsets = wound.map(rest);
  const division = divisionOf(measurement, 'force');
  const fit = linearFit(
    [0, 1].map((k) => columns.map((column) => column[k]!)),
    force.map((pull, i) => pull - offsets[i]!),
    division,
  );
  if (!fit) return FEW;
  const most = Math.max(...wound);
  /** Over all turns, times the way of the rim: J. */
  const overTheTurns = (pull: (turns: number) => number): number => {
    const step = most / STEPS;
    const middles = Array.from({ length: STEPS }, (_, i) => (i + 0.5) * step);
    return middles.reduce((sum, turns) => sum + pull(turns), 0) * step * 2 * Math.PI * radius;
  };
  const besides = overTheTurns(rest);
  const energy = propagateUncertainty([fit.sumOf(keys.map((_, k) => overTheTurns((count) => parts(count)[k]!)))], (held) => held + besides);
  const thought = overTheTurns(pullAt);
  const strength = propagateUncertainty([energy], (held) => held / thought);
  // Let back, what the motor keeps to itself is in the pull: its values are no surer than that.
  const keeps = lettingBack
    ? SPENT_BESIDES.filter((key) => numbers[key] !== undefined).map((key) => {
        const more = { ...numbers, [key]: deviated(key, valueOf(design, key), 1) };
        return overTheTurns((count) => pullAt(count, more)) / thought - 1;
      })
    : [];
  // A washer holds by more the more is wound: another curve than the rubber’s.
  const isBlurred = lettingBack && design.motor.kind === 'twist';
  const values = fit.estimates.map((told) =>
    propagateUncertainty([told, makeEstimate(1, Math.hypot(...keeps))], (value, kept) => value / kept),
  );
  return {
    values: {
      ...(isBlurred ? {} : { [keys[0]]: values[0]!, [keys[1]]: values[1]! }),
      energy,
      [lettingBack ? 'given' : 'strength']: strength,
    },
    drawn: {
      ...fitPlot({ across: 'turns still wound', up: 'force at the rim, N' }, wound, force, {
        residuals: fit.residuals,
        at: (x) => propagateUncertainty([fit.sumOf(parts(x)), exactEstimate(rest(x))], (pull, more) => pull + more),
        division: Math.max(division, 1e-9),
      }),
      thought: [...wound].sort((a, b) => a - b).map((count) => [count, pullAt(count)] as const),
    },
    remarks: isBlurred
      ? ['While unloading, rubber and washer act together. The result is for both together, not for the rubber alone.']
      : [],
  };
}
/** Strips in which the pull is added up over the turns. */
const STEPS = 24;
/** Turns below which nothing is wound. */
const LEAST_TURNS = 0.02;
