import Button from '@mui/material/Button';
import { proxy } from 'comlink';
import type { Brief } from '../../../../core/brief/brief.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { describeChanges } from '../../../../core/car/difference.ts';
import { formatPoints } from '../../../../core/brief/aim-words.ts';
import type { RoundSetUp } from '../../../../core/explore/set-ups.ts';
import { formatNumber, formatQuantity } from '../../../../core/units/quantity.ts';
import { useOwnParts } from '../../../open-car/use-own-parts.ts';
import plain from '../../../ui/plain.module.css';
import { useUnits } from '../../../ui/use-units.ts';
import { pooled } from '../../../workers/explore.ts';
import { JobBar } from '../../../workers/job-bar.tsx';
import { useJob } from '../../../workers/use-job.ts';
import styles from './rounds-table.module.css';

/** What the brief lets be changed from round to round. */
const MAY: Readonly<Record<Brief['rules']['change'], string>> = {
  nothing: 'The brief lets nothing be changed between runs.',
  winding: 'The brief lets only the winding be changed between runs.',
  'one-thing': 'The brief lets the winding and one other thing be changed between runs: tyres, ballast or drive wheels are tried.',
  anything: 'The brief lets anything be changed between runs: tyres, ballast and drive wheels are tried.',
};

interface SetUpsProps {
  readonly design: CarDesign;
  readonly change: Brief['rules']['change'];
}

/** How the car is set up and wound for each round. */
export function SetUps({ design, change }: SetUpsProps) {
  const units = useUnits();
  const { parts } = useOwnParts();
  const job = useJob<{ readonly of: CarDesign; readonly list: readonly RoundSetUp[] }>();
  const { progress, result, run } = job;
  const find = (): void =>
    run(async (report) => ({
      of: design,
      list: await pooled(0).work.setUpsFor(
        design,
        change,
        parts.map(({ part }) => part),
        proxy((fraction: number) => void report(null, fraction)),
      ),
    }));
  const list = result?.of === design ? result.list : null;
  return (
    <section aria-label="A set-up for each round" className={plain.rows}>
      <h3 className={plain.strong}>A set-up for each round</h3>
      <p className={plain.caption}>{MAY[change]}</p>
      {!list && (
        <div>
          <Button size="small" variant="outlined" onClick={find} disabled={progress !== null}>
            Find set-ups
          </Button>
        </div>
      )}
      {(progress !== null || job.isBroken) && <JobBar job={job} label="Trying set-ups" />}
      {list && (
        <table className={styles.rounds}>
          <thead>
            <tr>
              <th scope="col">round</th>
              <th scope="col">set-up</th>
              <th scope="col">wind</th>
              <th scope="col">chance to count</th>
              <th scope="col">points</th>
            </tr>
          </thead>
          <tbody>
            {list.map(({ name, design: as, turns, before, after }, i) => (
              <tr key={i}>
                <th scope="row">{name}</th>
                <td className={styles.change}>{describeChanges(design, as, units) || 'as it is'}</td>
                <td>{turns === null ? 'fully' : `${formatNumber(turns, 'count', units)} turns`}</td>
                <td>{formatQuantity(after.counts, 'share', units)}</td>
                <td>
                  {formatPoints(before.points)}
                  {after.points > before.points && ` → ${formatPoints(after.points)}`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
