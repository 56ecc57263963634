import type { CarDesign } from '../../core/car/car-design.ts';
import { FLOORS } from '../../core/car/catalogue.ts';
import { thickestSpool } from '../../core/car/tape.ts';
import type { Pose } from '../../core/geometry/pose.ts';
import { weightPoint, type SideView } from '../../core/geometry/side-view.ts';
import { isWoundOnAxle, recordOf } from '../../core/car/motors/motors.ts';
import { CarSketch } from './car-sketch.tsx';
import { ofGroup } from './of-group.ts';
import { drawingOf } from './motors/motors.ts';
import { INK, MUTED, PAPER } from './stroke.tsx';
import type { Scale } from './scale.ts';
import { Across, Dimensions, Label, Upright } from './dimension-marks.tsx';

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
      <path d={`M0 ${floor}H${width}`} stroke={INK} strokeWidth={2} />
      <rect {...ofGroup('floor')} y={floor} width={width} height={FLOOR_PRESSED} fill="transparent" />
      {pose && <FloorMarks design={design} scale={scale} width={width} floor={floor} pose={pose} heading={view.heading} />}
      <CarSketch view={view} scale={scale} line={1.6} pose={pose} />
      {!pose && otherWheel && <WeightMark design={design} scale={scale} floor={floor} />}
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
          {drawingOf(motor).dimensions({
            view: motor,
            driveWheel,
            words: recordOf(design.motor).labels(design.motor, size)[0]!,
            top: scale.y(view.bounds.top),
            scale,
            floor,
            size,
          })}
          {isWoundOnAxle(design.motor) &&
            [
              `axle ⌀ ${size(design.axleDiameter)}`,
              ...(design.sleeve.length > 0
                ? [`${design.sleeve.at(-1)!.kind === 'tape' ? 'taped to' : 'spool'} ${size(thickestSpool(design))}`]
                : []),
            ].map((words, line) => (
              <Label key={line} x={Math.round(scale.x(0) - 12)} y={floor + 20 + 20 * line} anchor="end" sizeId={AXLE_SIZES[line]!}>
                {words}
              </Label>
            ))}
        </Dimensions>
      )}
    </>
  );
}

/** px below the floor's line that belong to it. */
const FLOOR_PRESSED = 12;

/** What its words are typed over as, from the inside out. */
const AXLE_SIZES = ['axleDiameter', 'sleeve'];

interface WeightMarkProps {
  readonly design: CarDesign;
  readonly scale: Scale;
  readonly floor: number;
}

/** Where the weight sits: the sign for a centre of mass, and its plumb line. */
function WeightMark({ design, scale, floor }: WeightMarkProps) {
  const place = weightPoint(design);
  const [x, y] = [Math.round(scale.x(place.x)), Math.round(scale.y(place.y))];
  return (
    <g {...ofGroup('body')}>
      <title>Centre of mass</title>
      <path d={`M${x} ${y}V${floor}`} stroke={MUTED} strokeWidth={1} strokeDasharray="2 3" />
      <circle cx={x} cy={y} r={6} fill={PAPER} stroke={INK} strokeWidth={1.2} />
      <path d={`M${x} ${y}V${y - 6}A6 6 0 0 1 ${x + 6} ${y}ZM${x} ${y}V${y + 6}A6 6 0 0 1 ${x - 6} ${y}Z`} fill={INK} />
    </g>
  );
}

interface FloorMarksProps extends Pick<SideDrawingProps, 'design'> {
  readonly scale: Scale;
  readonly width: number;
  readonly floor: number;
  readonly pose: Pose;
  readonly heading: 1 | -1;
}

/** Every tenth of a metre of floor passing below the car, the metres written, and where another floor begins. */
function FloorMarks({ design, scale, width, floor, pose, heading }: FloorMarksProps) {
  const perMetre = scale.length(1);
  const nose = scale.x(0);
  const first = Math.floor(10 * (pose.distance - (heading > 0 ? nose : width - nose) / perMetre));
  const count = Math.ceil((10 * width) / perMetre) + 2;
  const passed = (metres: number): number => nose + heading * (metres - pose.distance) * perMetre;
  return (
    <g stroke={INK} strokeWidth={1}>
      {design.floor.stretches.map(({ from, kind }) => (
        <g key={from} transform={`translate(${passed(from)} ${floor})`}>
          <path d="M0 -6V46" strokeWidth={2} />
          <text x={heading * 6} y={44} textAnchor={heading > 0 ? 'start' : 'end'} fontSize={12} stroke="none" fill={INK}>
            {FLOORS[kind].label}
          </text>
        </g>
      ))}
      {design.floor.edges.map(({ at, height }, i) => (
        <rect
          key={`edge ${i}`}
          x={passed(at) - 2}
          y={floor - height * perMetre}
          width={4}
          height={height * perMetre}
          fill={INK}
          stroke="none"
        />
      ))}
      {Array.from({ length: count }, (_, i) => first + i)
        .filter((tenth) => tenth >= 0)
        .map((tenth) => {
          const x = passed(tenth / 10);
          const isMetre = tenth % 10 === 0;
          return (
            <g key={tenth}>
              <path d={`M${x} ${floor}v${isMetre ? 12 : 6}`} />
              {isMetre && (
                <text x={x} y={floor + 26} textAnchor="middle" fontSize={12} stroke="none" fill={INK}>
                  {tenth / 10} m
                </text>
              )}
            </g>
          );
        })}
    </g>
  );
}
