import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { heatsLeft, nextOf, orderOf } from '../../../core/meet/order.ts';
import { standingsOf } from '../../../core/meet/scoring.ts';
import { describeResult, formatPlace } from '../../../core/meet/describe-results.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { useJoined } from '../../app/use-role.ts';
import plain from '../../ui/plain.module.css';
import { useLocalStorage } from '../../ui/use-local-storage.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import { Needs } from './needs.tsx';
import type { OpenMeet } from './use-meet.ts';

const beforeWords = (before: number): string =>
  before === 0 ? 'It runs now' : before === 1 ? 'It is next' : `${before} heats run before it`;

/** For a crew, on its phone: when its car runs, in which lane, what its runs came to, how it stands, and where to practise. */
export function CrewView({ meetId, open }: { readonly meetId: string; readonly open: Pick<OpenMeet, 'meet' | 'results'> }) {
  const units = useUnits();
  const [chosen, setChosen] = useLocalStorage(`meet-crew-${meetId}`, '');
  const meet = open.meet!;
  const { rounds } = meet.brief;
  const running = meet.entries.filter(({ isOut }) => !isOut);
  const joined = useJoined();
  const isCrew = joined?.role === 'crew';
  /** On a crew's phone the car that it is for; elsewhere the one that is looked at. */
  const own = running.find(({ id, carId }) =>
    isCrew ? id === joined.entry?.id || (joined.carId !== null && carId === joined.carId) : id === chosen,
  );
  const results = open.results.filter(({ result }) => result.entry === own?.id).toSorted((a, b) => b.number - a.number);
  const left = heatsLeft(
    orderOf(meet),
    open.results.map(({ result }) => result),
  );
  const next = own ? nextOf(left, own.id) : null;
  const standing = own ? standingsOf(meet, open.results).find(({ entry }) => entry.id === own.id) : undefined;
  return (
    <div className={styles.view}>
      {running.length === 0 ? (
        <p className={plain.text}>No car has been entered yet.</p>
      ) : isCrew ? (
        !own && <p className={plain.text}>The car of this phone has not been entered in this meet. Ask an official to enter it.</p>
      ) : (
        <ChoiceSelect
          label="Which car is yours"
          value={own ? own.id : ''}
          options={{ ...(!own && { '': 'choose it' }), ...Object.fromEntries(running.map(({ id, car, crew }) => [id, `${car}, ${crew}`])) }}
          onChange={setChosen}
        />
      )}
      {own && (
        <>
          <section aria-labelledby="crew-next" className={styles.card} role="status">
            <h2 id="crew-next" className={plain.heading}>
              {next ? beforeWords(next.before) : 'It has made all its runs'}
            </h2>
            {next && (
              <p className={plain.text}>
                {rounds[next.heat.round]!.name}, run {next.heat.run + 1}
                {meet.lanes > 1 && `, lane ${next.heat.cars.find(({ entry }) => entry === own.id)!.lane + 1}`}
              </p>
            )}
          </section>
          <Needs meet={meet} results={open.results} of={[own]} />
          <section aria-labelledby="crew-results" className={styles.part}>
            <h2 id="crew-results" className={plain.heading}>
              Its runs
            </h2>
            {results.length === 0 && <p className={plain.text}>No result is saved yet.</p>}
            <ul className={plain.text}>
              {results.map(({ id, result }) => (
                <li key={id}>
                  {rounds[result.round]?.name ?? '?'}, run {result.run + 1}: <strong>{describeResult(meet, result, units)}</strong>
                </li>
              ))}
            </ul>
            {standing && results.length > 0 && (
              <p className={plain.strong}>
                Its place is {formatPlace(standing.place)} with {Number(standing.total.toFixed(2))} points.
              </p>
            )}
          </section>
          {own.carId && (
            <div>
              <Button variant="outlined" component={Link} to={`/cars/${own.carId}/track`} sx={{ minHeight: 48 }}>
                Log practice runs
              </Button>
            </div>
          )}
        </>
      )}
    </div>
  );
}
