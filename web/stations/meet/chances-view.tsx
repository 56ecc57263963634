import { formatPlace } from '../../../core/meet/describe-results.ts';
import { heatsLeft, orderOf } from '../../../core/meet/order.ts';
import type { Knowledge } from '../../../core/meet/evening.ts';
import plain from '../../ui/plain.module.css';
import { StateNote } from '../../ui/state-note.tsx';
import { Wide } from '../../ui/wide.tsx';
import { WordTable } from '../../ui/word-table.tsx';
import { JobBar } from '../../workers/job-bar.tsx';
import styles from './meet.module.css';
import { ChancesGraph } from './chances-graph.tsx';
import { inHundred } from './in-hundred.ts';
import { Needs } from './needs.tsx';
import { useChances } from './use-chances.ts';
import type { OpenMeet } from './use-meet.ts';

/** Where the figures of a car come from. */
const BY: Readonly<Record<Knowledge, string>> = {
  fitted: 'its own runs',
  design: 'its design',
  expected: 'what its crew expects',
  typical: 'a typical car',
};
/** Places that have a column of their own. */
const SHOWN = 6;
/** How the evening may end, by what is known of every car and what has been run so far. */
export function ChancesView({ open }: { readonly open: Pick<OpenMeet, 'meet' | 'results'> }) {
  const meet = open.meet!;
  const job = useChances(meet, open.results);
  const result = job.result?.now;
  if (meet.entries.length < 2)
    return (
      <div className={styles.view}>
        <StateNote kind="empty">Enter two cars or more to see their chances.</StateNote>
      </div>
    );
  const carOf = (id: string) => meet.entries.find((entry) => entry.id === id);
  const left = heatsLeft(
    orderOf(meet),
    open.results.map((one) => one.result),
  ).reduce((sum, { cars }) => sum + cars.length, 0);
  const places = Math.min(SHOWN, meet.entries.length);
  const rows = result?.entries.toSorted((a, b) => b.points - a.points) ?? [];
  const { rounds } = meet.brief;
  return (
    <div className={styles.view}>
      <JobBar job={job} label="Working out the chances" />
      {result && (
        <>
          <Wide label="Chances of each place">
            <WordTable
              head={['car', 'points expected', ...Array.from({ length: places }, (_, i) => formatPlace(i + 1)), 'known by']}
              rows={rows.map((one) => [
                carOf(one.entry)?.car ?? '?',
                one.points.toFixed(1),
                ...one.places.slice(0, places).map((chance, i) => (
                  <span key={i} className={styles.chance}>
                    {chance > 0 && <span className={styles.chanceBar} style={{ inlineSize: `${100 * chance}%` }} aria-hidden />}
                    {inHundred(chance)}
                  </span>
                )),
                BY[one.by],
              ])}
            />
          </Wide>
          {rounds.length > 1 && (
            <Wide label="Points expected in each round">
              <WordTable
                head={['car', ...rounds.map(({ name }) => name)]}
                rows={rows.map((one) => [
                  carOf(one.entry)?.car ?? '?',
                  ...one.rounds.map(({ points, first }) => `${points.toFixed(1)}${first > 0 ? ` · first ${inHundred(first)}` : ''}`),
                ])}
              />
            </Wide>
          )}
          {job.result?.over && <ChancesGraph over={job.result.over} nameOf={(id) => carOf(id)?.car ?? '?'} />}
          <Needs meet={meet} results={open.results} of={meet.entries} />
          <p className={`${plain.caption} ${plain.muted}`}>
            {left > 0 ? `${left} ${left === 1 ? 'run is' : 'runs are'} still to be made. ` : 'All runs are made. '}
            Of {result.evenings.toLocaleString('en')} evenings drawn from what is known of every car
            {open.results.length > 0 ? ', with what has been run so far' : ''}, scored as this meet is. A car that ran before is known by
            its runs, another by its design.
          </p>
        </>
      )}
    </div>
  );
}
