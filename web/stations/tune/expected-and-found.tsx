import type { CarDesign, MotorKind } from '../../../core/car/car-design.ts';
import { describeCause } from '../../../core/trials/cause-descriptions.ts';
import type { TunedGroup } from '../../../core/trials/tuning.ts';
import { formatAbout, formatPredicted } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { describeRunGroup } from './describe-tuning.ts';
import type { PinnedCause } from './pinned-causes.ts';
import styles from './expected-and-found.module.css';

/** m: less is not drawn. */
const LEAST_DRAWN = 0.1;

const reachOf = ({ distances }: TunedGroup): number => Math.max(0, ...distances.map(({ distance }) => distance));

interface ExpectedAndFoundProps {
  readonly groups: readonly TunedGroup[];
  readonly nameOf: (design: CarDesign) => string;
  readonly pinned: readonly PinnedCause[];
  readonly motor: MotorKind;
}

/** Two bars for the runs that went furthest, what was expected and what was found, and between them what each cause would explain. */
export function ExpectedAndFound({ groups, nameOf, pinned, motor }: ExpectedAndFoundProps) {
  const units = useUnits();
  const furthest = groups.reduce<TunedGroup | null>((best, group) => (best && reachOf(best) >= reachOf(group) ? best : group), null);
  if (!furthest?.fitted || furthest.predicted === null) return null;
  const [expected, found] = [furthest.predicted, furthest.fitted.middle];
  const part = (metres: number): string => `${(100 * metres) / Math.max(expected, found)}%`;
  return (
    <div>
      <p className={`${plain.caption} ${plain.muted}`}>The runs that went furthest: {describeRunGroup(furthest, nameOf)}</p>
      <dl className={styles.bars}>
        <div>
          <dt>expected</dt>
          <dd>
            <span className={styles.expected} style={{ width: part(expected) }} />
            {formatAbout(expected, 'distance', units)}
          </dd>
        </div>
        {pinned.map(
          ({ id, metres, isLeading }, n) =>
            metres >= LEAST_DRAWN &&
            expected > found && (
              <div key={id} className={isLeading ? styles.likeliest : undefined}>
                <dt>
                  {n + 1} {describeCause(id, motor).name}
                </dt>
                <dd>
                  <i style={{ width: part(Math.max(0, expected - metres)) }} />
                  <span className={styles.cause} style={{ width: part(Math.min(metres, expected)) }} />−
                  {formatPredicted(metres, 'distance', units)}
                </dd>
              </div>
            ),
        )}
        <div>
          <dt>found</dt>
          <dd>
            <span className={styles.found} style={{ width: part(found) }} />
            {formatAbout(found, 'distance', units)}
          </dd>
        </div>
      </dl>
    </div>
  );
}
