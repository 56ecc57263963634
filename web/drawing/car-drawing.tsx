import Button from '@mui/material/Button';
import useMediaQuery from '@mui/material/useMediaQuery';
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { CarGroup } from '../../core/car/car-groups.ts';
import { describeFloor } from '../../core/car/floors.ts';
import { standingWeight } from '../../core/car/weights.ts';
import type { Pose } from '../../core/geometry/pose.ts';
import { planView } from '../../core/geometry/plan-view.ts';
import { sideView } from '../../core/geometry/side-view.ts';
import { formatIn, formatPredicted, formatQuantity } from '../../core/units/quantity.ts';
import { download, downloadJson, fileName } from '../ui/file-exchange.ts';
import { PHASE_WORDS } from '../ui/phase-words.ts';
import { planScale, sideScale, type Scale } from './scale.ts';
import { standalone } from '../charts/standalone-svg.ts';
import { useRoving } from '../ui/use-roving.ts';
import { useSize } from '../ui/use-size.ts';
import { useUnits } from '../ui/use-units.ts';
import styles from './car-drawing.module.css';
import type { Edit } from '../open-car/design-slice.ts';
import { TypedSizes } from './dimension-marks.tsx';
import { Handles } from './drawing-handles.tsx';
import { LimitMark, type MarkedLimit } from './limit-mark.tsx';
import { planHandles } from './plan-handles.ts';
import { PlanDrawing } from './plan-drawing.tsx';
import { recordOf } from '../../core/car/motors/motors.ts';
import { InTheRound } from './in-the-round.tsx';
import { groupOf } from './of-group.ts';
import { SideDrawing } from './side-drawing.tsx';
import { sideHandles } from './side-handles.ts';
import type { Player } from './use-player.ts';

const MARGIN = { side: 84, top: 80, floor: 66 };
const GRID = 24;

/** Where the car is looked at from. */
const FROM = { side: 'from the side', above: 'from above', round: 'in the round' } as const;
type From = keyof typeof FROM;

interface CarDrawingProps {
  readonly design: CarDesign;
  readonly edit: Edit;
  readonly player: Player;
  /** It cannot be built or wound like this: the drawing shows it all the same. */
  readonly isRefused: boolean;
  /** What limits it most; null where it cannot run. */
  readonly limit: MarkedLimit | null;
  /** Something of this group was pressed. */
  readonly onPress: (group: CarGroup) => void;
}

/** The car to scale, from the side or from above: grab its parts, type its sizes, run it along its curve. */
export function CarDrawing({ design, edit, player, isRefused, limit, onPress }: CarDrawingProps) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  const units = useUnits();
  const [from, setFrom] = useState<From>('side');
  const isAbove = from === 'above';
  const isStill = useMediaQuery('(prefers-reduced-motion: reduce)');
  const size = (value: number): string => formatQuantity(value, 'size', units);
  const distance = (value: number): string => formatQuantity(value, 'distance', units);
  const formatTime = (time: number): string => formatPredicted(time, 'time', units);
  const { pose } = player;
  const fraction = formatQuantity(standingWeight(design).driveLoadShare, 'share', units);
  const label = [
    `${design.name} ${FROM[from]}: drive wheels ${size(design.driveWheels.diameter)} across`,
    ...(design.otherWheels ? [`other wheels ${size(design.otherWheels.diameter)}`, `wheelbase ${size(design.wheelbase)}`] : []),
    ...recordOf(design.motor).labels(design.motor, size),
  ].join(', ');
  const present = useRef(design);
  useEffect(() => {
    present.current = design;
  });
  const saveCar = useCallback(() => downloadJson(`${fileName(present.current.name)}.car.json`, present.current), []);
  const shown = { design, edit, pose, width, height, size };
  return (
    <section ref={ref} aria-label="Drawing" className={styles.drawing}>
      {width > 0 && height > 0 && (
        <TypedSizes design={design} edit={edit} onType={({ group }) => onPress(group)}>
          {from === 'round' ? (
            <InTheRound
              id="car-drawing"
              design={design}
              width={width}
              height={height}
              above={MARGIN.top}
              leverAngle={pose?.leverAngle ?? null}
            />
          ) : (
            <svg
              width={width}
              height={height}
              role="group"
              aria-label={label}
              className={styles.picture}
              id="car-drawing"
              onPointerDown={({ target }) => {
                const group = groupOf(target as Element);
                if (group) onPress(group);
              }}
            >
              <Paper width={width} height={height} isForward={design.layout.driveAxle === 'rear'} />
              {isAbove ? <FromAbove {...shown} distance={distance} /> : <FromTheSide {...shown} limit={limit} />}
            </svg>
          )}
        </TypedSizes>
      )}
      <div className={styles.tools}>
        <Tools name={design.name} from={from} onFrom={setFrom} onSave={saveCar} />
        {player.end > 0 && !isAbove && <PlayerBar player={player} canPlay={!isStill} format={formatTime} />}
        {isRefused && <p className={styles.refused}>✕ It cannot run like this.</p>}
        <p className={styles.words}>
          {pose
            ? `${formatTime(pose.time)}, ${distance(pose.distance)}, ${formatPredicted(pose.speed, 'speed', units)}: ${PHASE_WORDS[pose.phase]}`
            : `${design.otherWheels ? `drive wheels carry ${fraction} · ` : ''}${describeFloor(design.floor, formatIn(units))}`}
        </p>
      </div>
    </section>
  );
}

interface ShownProps {
  readonly design: CarDesign;
  readonly edit: Edit;
  readonly pose: Pose | null;
  readonly width: number;
  readonly height: number;
  /** Prints a size, m. */
  readonly size: (metres: number) => string;
}

function FromTheSide({ design, edit, pose, width, height, size, limit }: ShownProps & Pick<CarDrawingProps, 'limit'>) {
  const view = useMemo(() => sideView(design), [design]);
  const { scale, hold } = useHeldScale(sideScale(view, width, height, MARGIN));
  return (
    <>
      <SideDrawing design={design} view={view} scale={scale} width={width} pose={pose} size={size} />
      {!pose && limit && <LimitMark limit={limit} view={view} scale={scale} />}
      {!pose && <Handles design={design} specs={sideHandles(design, view)} scale={scale} edit={edit} onDrag={hold} />}
    </>
  );
}

function FromAbove({ design, edit, pose, width, height, size, distance }: ShownProps & { readonly distance: ShownProps['size'] }) {
  const view = useMemo(() => planView(design), [design]);
  const { scale, hold } = useHeldScale(planScale(view, width, height, MARGIN));
  return (
    <>
      <PlanDrawing design={design} view={view} scale={scale} size={size} distance={distance} />
      {!pose && <Handles design={design} specs={planHandles(design, view)} scale={scale} edit={edit} onDrag={hold} />}
    </>
  );
}

/** The scale that fits; while something on the drawing is dragged, the one it had. */
function useHeldScale(fitted: Scale) {
  const [held, setHeld] = useState<Scale | null>(null);
  const scale = held ?? fitted;
  const present = useRef(scale);
  useEffect(() => {
    present.current = scale;
  });
  const hold = useCallback((isDragging: boolean) => setHeld(isDragging ? present.current : null), []);
  return { scale, hold };
}

interface PaperProps {
  readonly width: number;
  readonly height: number;
  /** It runs to the right. */
  readonly isForward: boolean;
}

/** What is drawn on, and the way the car goes. */
const Paper = memo(function Paper({ width, height, isForward }: PaperProps) {
  return (
    <>
      <defs>
        <pattern id="graph-paper" width={GRID} height={GRID} patternUnits="userSpaceOnUse">
          <path d={`M${GRID} 0V${GRID}H0`} fill="none" stroke="var(--mui-palette-workbench-rule)" strokeWidth={0.6} opacity={0.7} />
        </pattern>
      </defs>
      <rect width={width} height={height} fill="url(#graph-paper)" />
      <path
        d={isForward ? `M${width - 78} 26h46m-7 -5l7 5l-7 5` : `M${width - 32} 26h-46m7 -5l-7 5l7 5`}
        stroke="var(--mui-palette-workbench-distance)"
        strokeWidth={2}
        fill="none"
      />
    </>
  );
});

interface PlayerBarProps {
  readonly player: Player;
  readonly canPlay: boolean;
  readonly format: (seconds: number) => string;
}

/** Runs the car along its curve, or puts it anywhere on it. */
const PlayerBar = ({ player, canPlay, format }: PlayerBarProps) => (
  <>
    {canPlay && <PlayButton isPlaying={player.isPlaying} onPlay={player.play} onPause={player.pause} />}
    <Along
      fraction={player.pose ? Math.min(player.pose.time / player.end, 1) : 0}
      words={format(player.pose?.time ?? 0)}
      onScrub={player.scrubShare}
    />
    {player.pose && (
      <Button size="small" onClick={() => player.scrub(null)}>
        to the line
      </Button>
    )}
  </>
);

interface AlongProps {
  /** Of the run's time, 0 to 1. */
  readonly fraction: number;
  readonly words: string;
  readonly onScrub: (fraction: number) => void;
}

/** A plain slider: it is drawn again in every frame of a run. */
const Along = memo(function Along({ fraction, words, onScrub }: AlongProps) {
  return (
    <input
      type="range"
      className={styles.along}
      aria-label="Along the run"
      min={0}
      max={1}
      step={1 / 400}
      value={fraction}
      aria-valuetext={words}
      onChange={({ target }) => onScrub(Number(target.value))}
    />
  );
});

const PlayButton = memo(function PlayButton(props: {
  readonly isPlaying: boolean;
  readonly onPlay: () => void;
  readonly onPause: () => void;
}) {
  return (
    <Button size="small" onClick={props.isPlaying ? props.onPause : props.onPlay}>
      {props.isPlaying ? 'pause' : 'run it'}
    </Button>
  );
});

interface ToolsProps {
  readonly name: string;
  readonly from: From;
  readonly onFrom: (from: From) => void;
  readonly onSave: () => void;
}

/** Drawn again only when the view changes. */
const Tools = memo(function Tools({ name, from, onFrom, onSave }: ToolsProps) {
  const saveDrawing = (): void =>
    download(`${fileName(name)}.svg`, standalone(document.querySelector<SVGSVGElement>('#car-drawing')!), 'image/svg+xml');
  const group = useRoving('button');
  return (
    <div ref={group} role="toolbar" aria-label="Drawing" className={styles.toolbar}>
      {(Object.keys(FROM) as From[])
        .filter((one) => one !== from)
        .map((one) => (
          <Button key={one} size="small" onClick={() => onFrom(one)}>
            {FROM[one]}
          </Button>
        ))}
      <Button size="small" onClick={saveDrawing}>
        save drawing
      </Button>
      <Button size="small" onClick={onSave}>
        save car
      </Button>
    </div>
  );
});
