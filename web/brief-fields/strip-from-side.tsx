import type { Floor } from '../../core/car/car-design.ts';
import { formatQuantity } from '../../core/units/quantity.ts';
import { useUnits } from '../ui/use-units.ts';
import { cutText, stripColour, type StripScale } from './strip-scale.ts';

/** A floor from the side: its slopes, twigs and wall. */
export function StripFromSide({ floor, scale }: { readonly floor: Floor; readonly scale: StripScale }) {
  const units = useUnits();
  const { pieces, end, perMetre, x, side } = scale;
  return (
    <>
      <text x={4} y={side(0) + 4} fill={stripColour('muted')}>
        side
      </text>
      {pieces.map(({ from, to, slope }, i) => (
        <g key={i}>
          <path d={`M${x(from)} ${side(from)}L${x(to)} ${side(to)}`} stroke={stripColour('ink')} strokeWidth={2} />
          {slope !== 0 && (
            <text x={(x(from) + x(to)) / 2} y={(side(from) + side(to)) / 2 - 8} textAnchor="middle">
              {cutText(`${formatQuantity(Math.abs(slope), 'angle', units)} ${slope > 0 ? 'up' : 'down'}`, x(to) - x(from))}
            </text>
          )}
        </g>
      ))}
      {floor.edges
        .filter(({ at }) => at <= end)
        .map(({ at, height: high }, i) => (
          <g key={i}>
            {/* A twig to scale is no more than a dot: a tick stands where it lies. */}
            <path d={`M${x(at)} ${side(at)}v${-Math.max(high * perMetre, 7)}`} stroke={stripColour('pull')} strokeWidth={4} />
            <text x={x(at)} y={side(at) - 11} textAnchor="middle">
              {formatQuantity(high, 'size', units)}
            </text>
          </g>
        ))}
      {floor.roomLength !== null && (
        <>
          <rect x={x(end)} y={side(end) - 22} width={6} height={22} fill={stripColour('ink')} />
          <text x={x(end) - 6} y={side(end) - 8} textAnchor="end">
            {`wall at ${formatQuantity(end, 'distance', units)}`}
          </text>
        </>
      )}
    </>
  );
}
