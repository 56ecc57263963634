import type { ReadingColumn } from '../bench/measurement-record.ts';
import { MEASUREMENTS } from '../bench/measurements.ts';
import type { MeasurementKind } from '../bench/measured.ts';
import { columnsOf } from '../bench/reading-columns.ts';
import type { HiddenBuild } from '../bench/hidden-car.ts';
import { simulatedReadings } from '../bench/simulated-readings.ts';
import type { CarDesign } from '../car/car-design.ts';
import { sampledCars } from '../predict/sampled-cars.ts';
import type { DeviceEvent } from './line-protocol.ts';

/** Which hidden car the simulated instruments read. */
const HIDDEN = 11;

/** The car that the simulated instruments read: built to the design with true values of its own, the same however much of it is known by now. */
export function hiddenBuild(design: CarDesign): HiddenBuild {
  const { own: _known, ...unknown } = design;
  const { design: built, numbers } = sampledCars({ ...unknown, measured: {} }, HIDDEN)(1);
  return { design: built, numbers, curvature: 0.012, slope: numbers.slope ?? 0, outOfTrue: 0.02, offCentre: 0.001 };
}

/** What a column is called in an instrument’s lines; null where none prints it. */
export function lineKeyOf({ key, quantity, options }: ReadingColumn): DeviceEvent['kind'] | null {
  if (options) return null;
  if (quantity === 'force') return 'force';
  if (quantity === 'weight') return 'mass';
  if (quantity === 'angle') return 'angle';
  return key === 'turns' && quantity === 'count' ? 'turns' : null;
}

/** Whether a spring scale, kitchen scale or tilt board can read a measurement. */
export const isReadByInstrument = (kind: MeasurementKind): boolean =>
  MEASUREMENTS[kind].columns.some((column) => ['force', 'mass', 'angle'].includes(lineKeyOf(column) ?? ''));

/** s between readings. */
const EVERY = 2;

/** Lines that a simulated spring scale, kitchen scale or tilt board prints of a car built to the design, one for each reading, column after column where each is read by itself. None of a kind that no instrument reads. */
export function instrumentLines(
  kind: MeasurementKind,
  design: CarDesign,
  seed: number,
): readonly { readonly column: string; readonly line: string }[] {
  const simulated = isReadByInstrument(kind) ? simulatedReadings(kind, hiddenBuild(design), seed) : null;
  if (!simulated) return [];
  const columns = columnsOf(simulated.measurement);
  const printed = MEASUREMENTS[kind].columns.flatMap((column) => {
    const words = lineKeyOf(column);
    const values = columns[column.key];
    return words && Array.isArray(values) ? [{ column, words, values: values as readonly number[] }] : [];
  });
  const places = printed.filter(({ words }) => words === 'angle' || words === 'turns');
  const read = printed.filter((one) => !places.includes(one));
  // A tilt board prints nothing but its angle.
  const leads = read.length > 0 ? read : places;
  let t = 0;
  return leads.flatMap(({ column, words, values }) =>
    values.map((value, i) => {
      t += EVERY;
      const beside = read.length > 0 ? places.map((place) => ` ${place.words}=${place.values[i]}`).join('') : '';
      return { column: column.key, line: `t=${t.toFixed(1)} ${words}=${value}${beside}\n` };
    }),
  );
}

/** What an instrument shows now: the last line’s values, by their keys; empty before the first. */
export function shownNow(events: readonly DeviceEvent[]): Partial<Readonly<Record<DeviceEvent['kind'], number>>> {
  const last = events.at(-1);
  if (!last) return {};
  return Object.fromEntries(events.filter(({ t }) => t === last.t).map(({ kind, value }) => [kind, value]));
}
