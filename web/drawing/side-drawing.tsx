import { bandWords } from '../../core/design/band-words.ts';
import type { CarDesign } from '../../core/design/car-design.ts';
import { thickestSpool } from '../../core/design/tape.ts';
import type { Pose } from '../../core/drawing/pose.ts';
import type { SideView } from '../../core/drawing/side-view.ts';
import { CarSketch } from './car-sketch.tsx';
import type { Scale } from './scale.ts';
import { Across, Dimensions, Label, Upright } from './dimension-marks.tsx';

const ink = 'var(--mui-palette-workbench-ink)';
const pullText = 'var(--mui-palette-workbench-pullText)';

interface SideDrawingProps {
  readonly design: CarDesign;
  readonly view: SideView;
  readonly scale: Scale;
  readonly width: number;
  readonly pose: Pose | null;
  /** Prints a size, m. */
  readonly size: (metres: number) => string;
}

/** The car from the side with its dimensions; along its run, without them. */
export function SideDrawing({ design, view, scale, width, pose, size }: SideDrawingProps) {
  const { driveWheel, otherWheel, motor } = view;
  const floor = scale.y(0);
  return (
    <>
      <path d={`M0 ${floor}H${width}`} stroke={ink} strokeWidth={2} />
      {pose && <FloorMarks scale={scale} width={width} floor={floor} pose={pose} heading={view.heading} />}
      <CarSketch view={view} scale={scale} line={1.6} pose={pose} />
      {!pose && (
        <Dimensions>
          {otherWheel && (
            <>
              <Across
                from={scale.x(0)}
                to={scale.x(otherWheel.x)}
                y={floor + 46}
                base={floor + 4}
                text={size(design.wheelbase)}
                sizeId="wheelbase"
              />
              <Upright
                x={Math.min(scale.x(view.bounds.right) + 38, width - 48)}
                top={scale.y(2 * otherWheel.radius)}
                bottom={floor}
                reach={scale.x(otherWheel.x)}
                text={`⌀ ${size(2 * otherWheel.radius)}`}
                sizeId="otherWheels"
              />
            </>
          )}
          <Upright
            x={Math.max(scale.x(view.bounds.left) - 38, 48)}
            top={scale.y(2 * driveWheel.radius)}
            bottom={floor}
            reach={scale.x(0)}
            text={`⌀ ${size(design.driveWheels.diameter)}`}
            sizeId="driveWheels"
          />
          <MotorDimensions design={design} view={view} scale={scale} floor={floor} size={size} />
          {motor.kind !== 'twist' && (
            <Label x={Math.round(scale.x(0))} y={Math.round(scale.y(driveWheel.y) + 17)} anchor="middle" sizeId="axleDiameter">
              {design.sleeve.length === 0
                ? `axle ⌀ ${size(design.axleDiameter)}`
                : `axle ⌀ ${size(design.axleDiameter)}, taped to ${size(thickestSpool(design))}`}
            </Label>
          )}
        </Dimensions>
      )}
    </>
  );
}

interface MotorDimensionsProps extends Pick<SideDrawingProps, 'design' | 'view' | 'scale' | 'size'> {
  readonly floor: number;
}

function MotorDimensions({ design, view: { motor, bounds }, scale, floor, size }: MotorDimensionsProps) {
  const [words] = motorLabels(design, size);
  switch (motor.kind) {
    case 'lever': {
      const middle = { x: (motor.pivot.x + motor.tipAtRest.x) / 2, y: (motor.pivot.y + motor.tipAtRest.y) / 2 };
      return (
        <>
          <Across
            from={scale.x(0)}
            to={scale.x(motor.pivot.x)}
            y={floor + 20}
            base={floor + 4}
            text={size(motor.pivot.x)}
            sizeId="trapPosition"
          />
          <Label
            x={Math.round(scale.x(middle.x) + 12)}
            y={Math.round(scale.y(middle.y) + 14)}
            anchor="start"
            fill={pullText}
            sizeId="leverLength"
          >
            {words!}
          </Label>
          <Label x={Math.round(scale.x(motor.tipCocked.x))} y={Math.round(scale.y(motor.tipCocked.y) - 16)} fill={pullText}>
            cocked
          </Label>
        </>
      );
    }
    case 'band':
      return (
        <>
          <Across
            from={scale.x(0)}
            to={scale.x(motor.anchor.x)}
            y={floor + 20}
            base={floor + 4}
            text={size(motor.anchor.x)}
            sizeId="anchorToAxle"
          />
          <Label x={Math.round(scale.x(motor.anchor.x / 2))} y={Math.round(scale.y(bounds.top) - 10)} fill={pullText} sizeId="turns">
            {words!}
          </Label>
        </>
      );
    case 'twist':
      return (
        <>
          <Across
            from={scale.x(motor.armTip.x)}
            to={scale.x(0)}
            y={floor + 20}
            base={floor + 4}
            text={`arm ${size(-motor.armTip.x)}`}
            sizeId="armLength"
          />
          <Label x={Math.round(scale.x(0))} y={Math.round(scale.y(bounds.top) - 14)} fill={pullText} sizeId="turns">
            {words!}
          </Label>
        </>
      );
  }
}

interface FloorMarksProps {
  readonly scale: Scale;
  readonly width: number;
  readonly floor: number;
  readonly pose: Pose;
  readonly heading: 1 | -1;
}

/** Every tenth of a metre of floor passing below the car, the metres written. */
function FloorMarks({ scale, width, floor, pose, heading }: FloorMarksProps) {
  const perMetre = scale.length(1);
  const nose = scale.x(0);
  const first = Math.floor(10 * (pose.distance - (heading > 0 ? nose : width - nose) / perMetre));
  const count = Math.ceil((10 * width) / perMetre) + 2;
  return (
    <g stroke={ink} strokeWidth={1}>
      {Array.from({ length: count }, (_, i) => first + i)
        .filter((tenth) => tenth >= 0)
        .map((tenth) => {
          const x = nose + heading * (tenth / 10 - pose.distance) * perMetre;
          const isMetre = tenth % 10 === 0;
          return (
            <g key={tenth}>
              <path d={`M${x} ${floor}v${isMetre ? 12 : 6}`} />
              {isMetre && (
                <text x={x} y={floor + 26} textAnchor="middle" fontSize={12} stroke="none" fill={ink}>
                  {tenth / 10} m
                </text>
              )}
            </g>
          );
        })}
    </g>
  );
}

/** What drives the car, in words with its sizes. */
export function motorLabels({ motor }: CarDesign, size: (value: number) => string): string[] {
  switch (motor.kind) {
    case 'lever':
      return [`lever ${size(motor.leverLength)}`, `trap ${size(motor.trapPosition)} from the drive axle`];
    case 'band':
      return [`${bandWords(motor)}, ${Number(motor.turns.toFixed(1))} turns`, `hook ${size(motor.anchorToAxle)} from the drive axle`];
    case 'twist':
      return [`${bandWords(motor)}, ${Number(motor.turns.toFixed(1))} turns`, `arm ${size(motor.armLength)}`];
  }
}
