import type { Outcome, RunRecord, Wind } from '../../../core/car/car-design.ts';
import { FLOORS } from '../../../core/car/catalogue.ts';
import { didNotStart } from '../../../core/car/did-not-start.ts';
import type { RunDeviation } from '../../../core/trials/run-deviation.ts';
import { formatNumber, formatPredicted, formatQuantity, type UnitSystem } from '../../../core/units/quantity.ts';

export const formatWinding = (wind: Wind): string =>
  wind.kind === 'full' ? 'fully wound' : `${formatNumber(wind.turns, 'count', 'metric')} turns`;

/** A run that hit the wall is "at least", never "equal"; one that came nowhere did not start. */
export const formatOutcome = (outcome: Outcome, units: UnitSystem): string =>
  didNotStart(outcome)
    ? 'did not start'
    : `${outcome.kind === 'hit-wall' ? 'at least ' : ''}${formatQuantity(outcome.distance, 'distance', units)}`;

const ENDS = { mark: 'passed the mark', side: 'stopped by something at the side' } as const;
/** What ended a run that would have gone further; empty of others. */
export const describeEnd = ({ kind, by }: Outcome): string => (kind === 'hit-wall' ? (by ? ENDS[by] : 'hit the wall') : '');

/** How a run stands to what was expected: `1.4 m short of predicted: within luck`. */
export function describeDeviation({ apart, of, luck }: RunDeviation, units: UnitSystem): string {
  const expected = of === 'runs' ? 'the runs before it' : 'predicted';
  const deviation = `About ${formatPredicted(Math.abs(apart), 'distance', units)} ${apart < 0 ? 'short of' : 'beyond'} ${expected}`;
  if (luck === 'wall') return 'It would have gone further. That leaves open whether it is as far as predicted';
  if (luck === 'cars') return `${deviation}: within what cars built like this do`;
  return luck === 'within' ? `${deviation}: within luck` : `${deviation}: more than luck explains`;
}

/** Times along the run that are reported one by one. */
const MOST_SPLITS = 6;

/** What else was measured or seen of a run, in a few words each. */
export function describeDetails(record: Omit<RunRecord, 'design'>, units: UnitSystem): string[] {
  const { drift, direction, splits = [], spunFor, turnsLeft, stretched, inOnePiece, elsewhere, film } = record;
  const metres = (value: number): string => formatQuantity(value, 'distance', units);
  return [
    ...(direction ? [direction === 'out' ? 'outward' : 'back'] : []),
    ...(stretched ? ['stretched by hand'] : []),
    ...(drift === undefined ? [] : [drift === 0 ? 'no drift' : `${metres(Math.abs(drift))} to the ${drift < 0 ? 'left' : 'right'}`]),
    ...(spunFor === undefined ? [] : [`wheels spun for about ${metres(spunFor)}`]),
    ...(turnsLeft === undefined ? [] : [`${formatNumber(turnsLeft, 'count', units)} turns left`]),
    ...(splits.length > MOST_SPLITS
      ? [`${splits.length} times along the run${film ? ', from a film' : ''}`]
      : splits.map(({ at, time }) => `${metres(at)} in ${formatQuantity(time, 'time', units)}`)),
    ...(film?.slip ? [`slip at the launch ${Math.round(100 * Math.max(film.slip.ratio, 0))} %`] : []),
    ...(elsewhere ? [`goes ${elsewhere.goes === 'further' ? 'further' : 'less far'} on ${FLOORS[elsewhere.floor].label}`] : []),
    ...(inOnePiece === undefined ? [] : [inOnePiece ? 'stayed in one piece' : 'came apart']),
  ];
}
