import { useId } from 'react';
import type { Floor } from '../../core/car/car-design.ts';
import { FLOORS } from '../../core/car/catalogue.ts';
import { formatQuantity } from '../../core/units/quantity.ts';
import { useUnits } from '../ui/use-units.ts';
import { cutText, stripColour, type FloorMark, type StripScale } from './strip-scale.ts';

interface StripFromAboveProps {
  readonly floor: Floor;
  readonly marks: readonly FloorMark[];
  readonly scale: StripScale;
}

/** A floor from above: its surfaces, lane, twigs, marks and wall. */
export function StripFromAbove({ floor, marks, scale }: StripFromAboveProps) {
  const units = useUnits();
  const patternId = useId();
  const { pieces, end, x, above, middle, deep, deepPerMetre, isWidthToScale } = scale;
  const format = (metres: number): string => formatQuantity(metres, 'distance', units);
  return (
    <>
      <defs>
        {pieces.map((_piece, i) => (
          <pattern key={i} id={`${patternId}-${i}`} width={i % 2 === 0 ? 400 : 7} height={7} patternUnits="userSpaceOnUse">
            <rect width={400} height={7} fill={stripColour('rule')} opacity={i % 2 === 0 ? 0.55 : 0.9} />
            {i % 2 === 1 && <circle cx={2} cy={2} r={1.2} fill={stripColour('muted')} />}
          </pattern>
        ))}
      </defs>
      <text x={4} y={middle + 4} fill={stripColour('muted')}>
        above
      </text>
      {pieces.map(({ from, to, kind }, i) => (
        <g key={i}>
          <rect x={x(from)} y={above} width={x(to) - x(from)} height={deep} fill={`url(#${patternId}-${i})`} />
          <text x={x(from) + 4} y={above - 6}>
            {cutText(FLOORS[kind].label, x(to) - x(from) - 8)}
          </text>
        </g>
      ))}
      {floor.laneWidth !== null && (
        <>
          <path d={`M${x(0)} ${above}H${x(end)}M${x(0)} ${above + deep}H${x(end)}`} stroke={stripColour('ink')} strokeDasharray="6 4" />
          <text x={x(end) - 4} y={above + deep - 6} textAnchor="end">
            {`lane ${format(floor.laneWidth)}`}
          </text>
        </>
      )}
      <path d={`M${x(0)} ${middle}H${x(end)}`} stroke={stripColour('distance')} strokeWidth={1} strokeDasharray="2 5" />
      <path d={`M${x(0)} ${above - 4}v${deep + 8}`} stroke={stripColour('ink')} strokeWidth={3} />
      {marks
        .filter(({ at }) => at <= end)
        .map(({ at, width: gap, label }) => (
          <g key={label}>
            {gap === undefined ? (
              <path d={`M${x(at)} ${above - 2}v${deep + 4}`} stroke={stripColour('distance')} strokeWidth={3} />
            ) : (
              [-1, 1].map((sign) => (
                <circle key={sign} cx={x(at)} cy={middle + (sign * gap * deepPerMetre) / 2} r={5} fill={stripColour('distance')} />
              ))
            )}
            <text x={x(at)} y={above + deep + 16} textAnchor={at > 0.8 * end ? 'end' : 'middle'} fill={stripColour('distance')}>
              {label}
            </text>
          </g>
        ))}
      <text x={x(0)} y={above + deep + 16} textAnchor="middle">
        line
      </text>
      {floor.roomLength !== null && (
        <>
          <rect x={x(end)} y={above - 4} width={6} height={deep + 8} fill={stripColour('ink')} />
        </>
      )}
      {!isWidthToScale && floor.laneWidth !== null && (
        <text x={x(end)} y={above + deep + 16} textAnchor="end" fill={stripColour('muted')}>
          width not to scale
        </text>
      )}
      {floor.edges
        .filter(({ at }) => at <= end)
        .map(({ at }, i) => (
          <path key={i} d={`M${x(at)} ${above}v${deep}`} stroke={stripColour('pull')} strokeWidth={3} />
        ))}
    </>
  );
}
