import { thickestSpool } from '../../../../core/car/tape.ts';
import type { WindingProfile } from '../../../../core/explore/winding-profile.ts';
import { formatQuantity } from '../../../../core/units/quantity.ts';
import { FONTS } from '../../../ui/tokens.ts';
import { useUnits } from '../../../ui/use-units.ts';

const ink = 'var(--mui-palette-workbench-ink)';
const muted = 'var(--mui-palette-workbench-muted)';
const WIDTH = 300;
const HEIGHT = 170;
const MARGIN = 12;
/** px kept for the words above and below. */
const WORDS = 40;
/** CSS pixels of a metre, at true size. */
const TRUE_SIZE = 96 / 0.0254;
/** Times its size that the axle may be drawn. */
const MOST_ENLARGED = 8;
/** Turns of bare axle shown beyond the tape. */
const BARE_SHOWN = 1.5;

/** Axle and tape cut open lengthwise: diameters to scale, each turn as wide as the next, what pulls first at the right. */
export function WindingDrawing({ profile: { design } }: { readonly profile: WindingProfile }) {
  const units = useUnits();
  const size = (metres: number): string => formatQuantity(metres, 'size', units);
  const thickest = thickestSpool(design);
  const enlarged = Math.max(1, Math.min(MOST_ENLARGED, Math.floor((HEIGHT - 2 * WORDS) / (thickest * TRUE_SIZE))));
  const px = (metres: number): number => metres * TRUE_SIZE * enlarged;
  const steps = [...design.sleeve].reverse();
  const turns = steps.reduce((sum, step) => sum + step.turns, 0) + BARE_SHOWN;
  const perTurn = (WIDTH - 2 * MARGIN) / turns;
  const middle = HEIGHT / 2;
  const right = WIDTH - MARGIN;
  const held = steps.map((step) => step.turns * perTurn);
  const sleeves = steps.map(({ diameter }, i) => ({
    diameter,
    width: held[i]!,
    x: right - held.slice(0, i + 1).reduce((sum, width) => sum + width, 0),
  }));
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      role="img"
      fontFamily={FONTS.text}
      fontSize={12}
      fill={ink}
      aria-label={`Axle ${size(design.axleDiameter)} in diameter. Over the tape, in order of pull: ${sleeves.map(({ diameter }) => size(diameter)).join(', ')}`}
    >
      {sleeves.map(({ diameter, x, width }, i) => (
        <g key={i}>
          <rect
            x={x}
            y={middle - px(diameter) / 2}
            width={width}
            height={px(diameter)}
            fill="var(--mui-palette-workbench-pullArea)"
            stroke="var(--mui-palette-workbench-pull)"
            strokeWidth={1}
          />
          {width > 64 && (
            <text x={x + width / 2} y={middle - px(diameter) / 2 - 6} textAnchor="middle" fontFamily={FONTS.figures}>
              ⌀ {size(diameter)}
            </text>
          )}
        </g>
      ))}
      <rect
        x={MARGIN}
        y={middle - px(design.axleDiameter) / 2}
        width={right - MARGIN}
        height={px(design.axleDiameter)}
        fill="var(--mui-palette-workbench-panel)"
        stroke={ink}
        strokeWidth={1.5}
      />
      <path d={`M${MARGIN - 8} ${middle}H${right + 8}`} stroke={muted} strokeWidth={0.7} strokeDasharray="10 3 2 3" />
      <text x={right} y={HEIGHT - 6} textAnchor="end">
        pulls first →
      </text>
      <text x={MARGIN} y={HEIGHT - 6} fill={muted}>
        diameters {enlarged === 1 ? 'at' : `${enlarged} times`} their size
      </text>
    </svg>
  );
}
