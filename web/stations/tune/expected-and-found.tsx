import type { CarDesign, MotorKind } from '../../../core/car/car-design.ts';
import { describeCause } from '../../../core/trials/cause-descriptions.ts';
import type { TunedGroup } from '../../../core/trials/tuning.ts';
import { formatAbout, formatPredicted } from '../../../core/units/quantity.ts';
import { Bars, type Bar } from '../../ui/bars.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { describeRunGroup } from './describe-tuning.ts';
import type { PinnedCause } from './pinned-causes.ts';

/** m: less is not drawn. */
const LEAST_DRAWN = 0.1;
/** px that the names of causes may take. */
const NAMES = 190;

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
  const causes = pinned.flatMap(({ id, metres, isLeading }, n): Bar[] =>
    metres >= LEAST_DRAWN && expected > found
      ? [
          {
            name: `${n + 1} ${describeCause(id, motor).name}`,
            kind: 'cause',
            from: Math.max(0, expected - metres),
            to: expected,
            words: `−${formatPredicted(metres, 'distance', units)}`,
            isLeading,
          },
        ]
      : [],
  );
  return (
    <div>
      <p className={`${plain.caption} ${plain.muted}`}>The runs that went furthest: {describeRunGroup(furthest, nameOf)}</p>
      <Bars
        names={NAMES}
        bars={[
          { name: 'expected', kind: 'expected', to: expected, words: formatAbout(expected, 'distance', units) },
          ...causes,
          { name: 'found', kind: 'found', to: found, words: formatAbout(found, 'distance', units) },
        ]}
      />
    </div>
  );
}
