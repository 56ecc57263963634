import { medalsOf, standingsOf } from '../../../core/meet/scoring.ts';
import { MEDALS, describeMedal, formatPlace, formatRunValue } from '../../../core/meet/describe-results.ts';
import plain from '../../ui/plain.module.css';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import type { OpenMeet } from './use-meet.ts';
import { StateNote } from '../../ui/state-note.tsx';

/** Points with a half where places are shared. */
const points = (value: number): string => String(Number(value.toFixed(2)));

/** The standings with how they came about, and the medals. */
export function StandingsView({ open }: { readonly open: Pick<OpenMeet, 'meet' | 'results'> }) {
  const units = useUnits();
  const meet = open.meet!;
  const { rounds } = meet.brief;
  const standings = standingsOf(meet, open.results);
  const medals = medalsOf(meet, open.results);
  const carOf = (id: string): string => meet.entries.find((entry) => entry.id === id)?.car ?? '?';
  return (
    <div className={styles.view}>
      {standings.length === 0 ? (
        <StateNote kind="empty">No car has been entered yet.</StateNote>
      ) : (
        <Wide label="Standings">
          <WordTable
            head={['place', 'car', 'crew', ...rounds.map(({ name }) => name), ...(meet.style > 0 ? ['style'] : []), 'points']}
            rows={standings.map(({ place, entry, rounds: ofRounds, style, total }) => [
              String(place),
              entry.car,
              entry.crew,
              ...ofRounds.map(({ place: one, points: gained, isDropped }, i) =>
                one?.score
                  ? `${formatRunValue(rounds[i]!.goal, one.score, units)} · ${formatPlace(one.place!)} · ${points(gained)}${isDropped ? ' (dropped)' : ''}`
                  : '–',
              ),
              ...(meet.style > 0 ? [points(style)] : []),
              points(total),
            ])}
          />
        </Wide>
      )}
      <p className={`${plain.caption} ${plain.muted}`}>
        Cars that tie share the place and the mean of its points
        {meet.brief.rules.ties === 'next-best'
          ? ', unless the next best run decides'
          : meet.brief.rules.ties === 'run-off'
            ? ', unless a run-off decides'
            : ''}
        . Over all rounds, the car with more first places comes first
        {meet.drops > 0 ? `. Each car’s ${meet.drops} worst ${meet.drops === 1 ? 'round does' : 'rounds do'} not count` : ''}.
      </p>
      {medals.length > 0 && (
        <section aria-labelledby="medals-title" className={styles.part}>
          <h2 id="medals-title" className={plain.heading}>
            Medals
          </h2>
          <WordTable rows={medals.map((medal) => [MEDALS[medal.what], `${carOf(medal.entry)}: ${describeMedal(medal, units)}`])} />
        </section>
      )}
    </div>
  );
}
