import { Link } from 'react-router';
import { formatPoints } from '../../../core/brief/aim-words.ts';
import { designForBrief, type Brief } from '../../../core/brief/brief.ts';
import { describeChanges } from '../../../core/car/difference.ts';
import type { StoredCar } from '../../../core/schema/stored.ts';
import type { BriefForecast } from '../../open-car/use-brief-forecast.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { inTen } from '../../ui/in-ten.ts';
import styles from './brief.module.css';

interface EveningOutlookProps {
  readonly brief: Brief;
  readonly cars: readonly StoredCar[];
  readonly forecast: BriefForecast;
}

/** How an evening by this brief would end if these cars ran it: chances and points, and what would bring each the most. */
export function EveningOutlook({ brief, cars, forecast: { forecast, toGain } }: EveningOutlookProps) {
  const units = useUnits();
  const rows = forecast.entries.toSorted((a, b) => b.points - a.points);
  return (
    <section aria-labelledby="outlook-title" className={styles.car}>
      <h3 id="outlook-title" className={plain.strong}>
        If they ran it now
      </h3>
      <ol className={styles.outlook}>
        {rows.map(({ entry, points, places }) => {
          const car = cars.find(({ id }) => id === entry)!;
          const gain = toGain.get(entry);
          return (
            <li key={entry}>
              <p className={plain.text}>
                <strong>{car.design.name}</strong>: about {formatPoints(points)} points, first {inTen(places[0]!)}
                {places.length > 1 && `, second ${inTen(places[1]!)}`}
              </p>
              {gain && (
                <p className={`${plain.caption} ${plain.muted}`}>
                  Most points to gain: “{gain.round.name}” ({formatPoints(gain.round.points)}).{' '}
                  {gain.change
                    ? `Best single change: ${describeChanges(designForBrief(car.design, brief), gain.change.design, units)}, about ${formatPoints(gain.change.gain)} points more.`
                    : 'No single change would bring more points.'}{' '}
                  <Link to={`/cars/${entry}/design`}>Design</Link>
                </p>
              )}
            </li>
          );
        })}
      </ol>
      <p className={`${plain.caption} ${plain.muted}`}>
        Of {forecast.evenings.toLocaleString('en')} evenings drawn from what is known of each car from its design and runs.
      </p>
    </section>
  );
}
