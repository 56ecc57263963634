import Box from '@mui/material/Box';
import { useMemo } from 'react';
import type { CarDesign } from '../../../core/design/car-design.ts';
import { FLOORS } from '../../../core/design/catalogue.ts';
import { bandWords } from '../../../core/design/band-words.ts';
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
  const { driveWheel, otherWheel, motor, heading } = view;
  const label = [
    `${design.name} from the side: drive wheels ${size(design.driveWheels.diameter)} across`,
    ...(design.otherWheels ? [`other wheels ${size(design.otherWheels.diameter)}`, `wheelbase ${size(design.wheelbase)}`] : []),
    ...motorLabels(design, size),
  ].join(', ');
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
    return (
      <>
        <path d={`M0 ${floor}H${width}`} stroke={ink} strokeWidth={2} />
        <CarSketch view={view} scale={scale} line={1.6} />
        {otherWheel && (
          <>
            <Across from={scale.x(0)} to={scale.x(otherWheel.x)} y={floor + 46} base={floor + 4} text={size(design.wheelbase)} />
            <Upright
              x={Math.min(rightEdge + 30, width - 48)}
              top={scale.y(2 * otherWheel.radius)}
              bottom={floor}
              reach={scale.x(otherWheel.x)}
              text={`⌀ ${size(2 * otherWheel.radius)}`}
            />
          </>
        )}
        <Upright
          x={Math.max(leftEdge - 30, 48)}
          top={scale.y(2 * driveWheel.radius)}
          bottom={floor}
          reach={scale.x(0)}
          text={`⌀ ${size(design.driveWheels.diameter)}`}
        />
        <MotorDimensions scale={scale} floor={floor} />
        {motor.kind !== 'twist' && (
          <Label x={scale.x(0)} y={scale.y(driveWheel.y) + 22} anchor="middle">
            {design.sleeve.length === 0
              ? `axle ⌀ ${size(design.axleDiameter)}`
              : `axle ⌀ ${size(design.axleDiameter)}, taped to ${size(design.sleeve.at(-1)!.diameter)}`}
          </Label>
        )}
        <path
          d={heading > 0 ? `M${width - 78} 20h46m-7 -5l7 5l-7 5` : `M${width - 32} 20h-46m7 -5l-7 5l7 5`}
          stroke="var(--mui-palette-workbench-distance)"
          strokeWidth={2}
          fill="none"
        />
        <Label x={12} y={20} anchor="start">
          {`${FLOORS[design.floor.kind].label}, ${design.floor.slope === 0 ? 'level' : `${printQuantity(Math.abs(design.floor.slope), 'angle', units)} ${design.floor.slope > 0 ? 'uphill' : 'downhill'}`}`}
        </Label>
      </>
    );
  }

  function MotorDimensions({ scale, floor }: { readonly scale: Scale; readonly floor: number }) {
    switch (motor.kind) {
      case 'lever': {
        const middle = { x: (motor.pivot.x + motor.tipAtRest.x) / 2, y: (motor.pivot.y + motor.tipAtRest.y) / 2 };
        return (
          <>
            <Across from={scale.x(0)} to={scale.x(motor.pivot.x)} y={floor + 20} base={floor + 4} text={size(motor.pivot.x)} />
            <Label x={scale.x(middle.x) + 12} y={scale.y(middle.y) + 14} anchor="start" fill={pullText}>
              {motorLabels(design, size)[0]!}
            </Label>
            <Label x={scale.x(motor.tipCocked.x)} y={scale.y(motor.tipCocked.y) - 16} fill={pullText}>
              cocked
            </Label>
          </>
        );
      }
      case 'band':
        return (
          <>
            <Across from={scale.x(0)} to={scale.x(motor.anchor.x)} y={floor + 20} base={floor + 4} text={size(motor.anchor.x)} />
            <Label x={scale.x(motor.anchor.x / 2)} y={Math.max(scale.y(view.bounds.top) - 2, 40)} fill={pullText}>
              {motorLabels(design, size)[0]!}
            </Label>
          </>
        );
      case 'twist':
        return (
          <>
            <Across from={scale.x(motor.armTip.x)} to={scale.x(0)} y={floor + 20} base={floor + 4} text={`arm ${size(-motor.armTip.x)}`} />
            <Label x={scale.x(0)} y={Math.max(scale.y(view.bounds.top) - 18, 40)} fill={pullText}>
              {motorLabels(design, size)[0]!}
            </Label>
          </>
        );
    }
  }
}

/** What drives the car, in words with its sizes. */
function motorLabels({ motor }: CarDesign, size: (value: number) => string): string[] {
  switch (motor.kind) {
    case 'lever':
      return [`lever ${size(motor.leverLength)}`, `trap ${size(motor.trapPosition)} from the drive axle`];
    case 'band':
      return [`${bandWords(motor)}, ${Number(motor.turns.toFixed(1))} turns`, `hook ${size(motor.anchorToAxle)} from the drive axle`];
    case 'twist':
      return [`${bandWords(motor)}, ${Number(motor.turns.toFixed(1))} turns`, `arm ${size(motor.armLength)}`];
  }
}
