import Box from '@mui/material/Box';
import { useMemo } from 'react';
import type { CarDesign } from '../../../core/design/car-design.ts';
import { FLOORS } from '../../../core/design/catalogue.ts';
import { sideView } from '../../../core/drawing/side-view.ts';
import { printQuantity } from '../../../core/units/quantity.ts';
import { FONTS } from '../../app/tokens.ts';
import { CarSketch, fitScale, type Scale } from '../../ui/car-sketch.tsx';
import { useSize } from '../../ui/use-size.ts';
import { useUnits } from '../../ui/use-units.ts';

const MARGIN = { side: 84, top: 26, floor: 66 };
const ink = 'var(--mui-palette-workbench-ink)';
const ground = 'var(--mui-palette-workbench-ground)';
const pullText = 'var(--mui-palette-workbench-pullText)';

interface LabelProps {
  readonly x: number;
  readonly y: number;
  readonly children: string;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly fill?: string;
}

/** A figure on the drawing, its ground kept clear of lines. */
const Label = ({ x, y, children, anchor = 'middle', fill = ink }: LabelProps) => (
  <text
    x={x}
    y={y}
    textAnchor={anchor}
    dominantBaseline="central"
    fontFamily={FONTS.figures}
    fontSize={13}
    fill={fill}
    stroke={ground}
    strokeWidth={5}
    paintOrder="stroke"
    strokeLinejoin="round"
  >
    {children}
  </text>
);

interface AcrossProps {
  readonly from: number;
  readonly to: number;
  readonly y: number;
  /** Where the extension lines begin. */
  readonly base: number;
  readonly text: string;
}

/** A horizontal dimension below what it measures, with extension lines and ticks (ISO 129-1). */
const Across = ({ from, to, y, base, text }: AcrossProps) => (
  <g>
    <path
      d={`M${from} ${base}V${y + 5}M${to} ${base}V${y + 5}M${from} ${y}H${to}M${from - 3} ${y + 3}l6 -6M${to - 3} ${y + 3}l6 -6`}
      stroke={ink}
      strokeWidth={0.9}
      fill="none"
    />
    <Label x={(from + to) / 2} y={y}>
      {text}
    </Label>
  </g>
);

interface UprightProps {
  readonly x: number;
  readonly top: number;
  readonly bottom: number;
  readonly reach: number;
  readonly text: string;
}

/** A vertical dimension beside a wheel. */
const Upright = ({ x, top, bottom, reach, text }: UprightProps) => (
  <g>
    <path
      d={`M${reach} ${top}H${x}M${x} ${top}V${bottom}M${x - 3} ${top + 3}l6 -6M${x - 3} ${bottom + 3}l6 -6`}
      stroke={ink}
      strokeWidth={0.9}
      fill="none"
    />
    <Label x={x} y={(top + bottom) / 2}>
      {text}
    </Label>
  </g>
);

const GRID = 24;

/** The car to scale from the side, its sizes written on it. */
export function CarDrawing({ design }: { readonly design: CarDesign }) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  const units = useUnits();
  const view = useMemo(() => sideView(design), [design]);
  const size = (value: number): string => printQuantity(value, 'size', units);
  const { driveWheel, otherWheel, pivot, tipAtRest, tipCocked } = view;
  const label = `${design.name} from the side: drive wheels ${size(design.driveWheels.diameter)} across, other wheels ${size(design.otherWheels.diameter)}, wheelbase ${size(design.wheelbase)}, lever ${size(design.motor.leverLength)}, trap ${size(design.motor.trapPosition)} ahead of the drive axle`;
  return (
    <Box ref={ref} sx={{ position: 'relative', minHeight: 240, overflow: 'hidden !important' }}>
      {width > 0 && height > 0 && (
        <svg width={width} height={height} role="img" aria-label={label} style={{ position: 'absolute' }}>
          <defs>
            <pattern id="graph-paper" width={GRID} height={GRID} patternUnits="userSpaceOnUse">
              <path d={`M${GRID} 0V${GRID}H0`} fill="none" stroke="var(--mui-palette-workbench-rule)" strokeWidth={0.6} opacity={0.7} />
            </pattern>
          </defs>
          <rect width={width} height={height} fill="url(#graph-paper)" />
          <Dimensioned scale={fitScale(view, width, height, MARGIN)} />
        </svg>
      )}
    </Box>
  );

  function Dimensioned({ scale }: { readonly scale: Scale }) {
    const floor = scale.y(0);
    const leftEdge = scale.x(view.bounds.left);
    const rightEdge = scale.x(view.bounds.right);
    const middle = { x: scale.x((pivot.x + tipAtRest.x) / 2), y: scale.y((pivot.y + tipAtRest.y) / 2) };
    return (
      <>
        <path d={`M0 ${floor}H${width}`} stroke={ink} strokeWidth={2} />
        <CarSketch view={view} scale={scale} line={1.6} />
        <Across from={scale.x(0)} to={scale.x(pivot.x)} y={floor + 20} base={floor + 4} text={size(design.motor.trapPosition)} />
        <Across from={scale.x(0)} to={scale.x(otherWheel.x)} y={floor + 46} base={floor + 4} text={size(design.wheelbase)} />
        <Upright
          x={Math.max(leftEdge - 30, 48)}
          top={scale.y(2 * driveWheel.radius)}
          bottom={floor}
          reach={scale.x(0)}
          text={`⌀ ${size(design.driveWheels.diameter)}`}
        />
        <Upright
          x={Math.min(rightEdge + 30, width - 48)}
          top={scale.y(2 * otherWheel.radius)}
          bottom={floor}
          reach={scale.x(otherWheel.x)}
          text={`⌀ ${size(design.otherWheels.diameter)}`}
        />
        <Label x={middle.x + 12} y={middle.y + 14} anchor="start" fill={pullText}>
          {`lever ${size(design.motor.leverLength)}`}
        </Label>
        <Label x={scale.x(tipCocked.x)} y={scale.y(tipCocked.y) - 16} fill={pullText}>
          cocked
        </Label>
        <Label x={scale.x(0)} y={scale.y(driveWheel.y) + 22} anchor="middle">
          {`axle ⌀ ${size(design.axleDiameter)}`}
        </Label>
        <path d={`M${width - 78} ${20}h46m-7 -5l7 5l-7 5`} stroke="var(--mui-palette-workbench-distance)" strokeWidth={2} fill="none" />
        <Label x={12} y={20} anchor="start">
          {`${FLOORS[design.floor.kind].label}, ${design.floor.slope === 0 ? 'level' : `${printQuantity(Math.abs(design.floor.slope), 'angle', units)} ${design.floor.slope > 0 ? 'uphill' : 'downhill'}`}`}
        </Label>
      </>
    );
  }
}
