import type { Meet, StandingResult } from './meet.ts';
import { standingsOf } from './scoring.ts';

/** The standings as a table: headings, then a row for each entry; values in SI units, each round with its wall, place and points. */
export function standingsTable(meet: Meet, results: readonly StandingResult[]): readonly (readonly (string | number)[])[] {
  const head = [
    'place',
    'car',
    'crew',
    ...meet.brief.rounds.flatMap(({ name }) => [`${name}, SI`, `${name}, wall`, `${name}, place`, `${name}, points`]),
    'style',
    'points',
  ];
  const rows = standingsOf(meet, results).map(({ place, entry, rounds, style, total }) => [
    place,
    entry.car,
    entry.crew,
    ...rounds.flatMap(({ place: one, points }) => [
      one?.score?.value ?? '',
      one?.score?.atLeast ? 'at least' : '',
      one?.place ?? '',
      points,
    ]),
    style,
    total,
  ]);
  return [head, ...rows];
}
