import type { Brief, Round } from '../../../core/brief/brief.ts';
import { marksOfRound } from '../../brief-fields/floor-marks.ts';
import { stripColour, stripScale } from '../../brief-fields/strip-scale.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './brief.module.css';

const WIDTH = 320;
const HEIGHT = 46;
/** px of the floor's line from the top, and how high its wall stands. */
const FLOOR = 26;
const WALL = 16;

/** A round at a glance: its floor from the line to the wall, to scale along it, with its goal, twigs and other surfaces. */
export function RoundPicture({ brief, round }: { readonly brief: Brief; readonly round: Round }) {
  const units = useUnits();
  const floor = brief.floors.find(({ name }) => name === round.floor)?.floor;
  if (!floor) return null;
  const marks = marksOfRound(round, units);
  const { x, end, pieces } = stripScale(floor, marks, WIDTH);
  return (
    <svg viewBox={`${x(0) - 4} 0 ${WIDTH - x(0)} ${HEIGHT}`} className={styles.picture} aria-hidden>
      {pieces.map(({ from, to }, i) => (
        <rect
          key={from}
          x={x(from)}
          y={FLOOR}
          width={x(to) - x(from)}
          height={i % 2 === 0 ? 4 : 8}
          fill={stripColour(i % 2 === 0 ? 'rule' : 'muted')}
        />
      ))}
      <path d={`M${x(0)} ${FLOOR - WALL}V${FLOOR + 4}`} stroke={stripColour('ink')} strokeWidth={2} />
      {floor.roomLength !== null && <rect x={x(end)} y={FLOOR - WALL} width={5} height={WALL + 4} fill={stripColour('ink')} />}
      {floor.edges
        .filter(({ at }) => at <= end)
        .map(({ at }, i) => (
          <path key={i} d={`M${x(at)} ${FLOOR}v-8`} stroke={stripColour('pull')} strokeWidth={3} />
        ))}
      {marks
        .filter(({ at }) => at <= end)
        .map(({ at, width, label }) => (
          <g key={label}>
            {width === undefined ? (
              <path d={`M${x(at)} ${FLOOR - WALL}v${WALL}`} stroke={stripColour('distance')} strokeWidth={3} />
            ) : (
              [-7, 7].map((aside) => <circle key={aside} cx={x(at) + aside} cy={FLOOR - 6} r={4} fill={stripColour('distance')} />)
            )}
            <text x={x(at)} y={HEIGHT - 4} textAnchor={at > 0.8 * end ? 'end' : 'middle'} fill={stripColour('distance')}>
              {label}
            </text>
          </g>
        ))}
      {marks.length === 0 && (
        <path d={`M${x(0) + 8} ${FLOOR - 8}H${x(end) - 10}m-7 -5l7 5l-7 5`} fill="none" stroke={stripColour('distance')} strokeWidth={2} />
      )}
    </svg>
  );
}
