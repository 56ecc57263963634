import Button from '@mui/material/Button';
import useMediaQuery from '@mui/material/useMediaQuery';
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { CarDesign } from '../../../../core/design/car-design.ts';
import { FLOORS } from '../../../../core/design/catalogue.ts';
import { planView } from '../../../../core/drawing/plan-view.ts';
import { sideView } from '../../../../core/drawing/side-view.ts';
import { printQuantity } from '../../../../core/units/quantity.ts';
import { fitScale, type Scale } from '../../../ui/car-sketch.tsx';
import { download, downloadJson, fileName } from '../../../ui/file-exchange.ts';
import { PHASE_WORDS } from '../../../ui/phase-words.ts';
import { standalone } from '../../../ui/standalone-svg.ts';
import { useSize } from '../../../ui/use-size.ts';
import { useUnits } from '../../../ui/use-units.ts';
import styles from './car-drawing.module.css';
import type { Edit } from '../design-slice.ts';
import { TypedSizes } from './dimension-marks.tsx';
import { Handles } from './drawing-handles.tsx';
import { planHandles } from './plan-handles.ts';
import { PlanDrawing, planScale } from './plan-drawing.tsx';
import { SideDrawing, motorLabels } from './side-drawing.tsx';
import { sideHandles } from './side-handles.ts';
import type { Player } from './use-player.ts';

const MARGIN = { side: 84, top: 80, floor: 66 };
const GRID = 24;

interface CarDrawingProps {
  readonly design: CarDesign;
  readonly edit: Edit;
  readonly player: Player;
  /** It cannot be built or wound like this: the drawing shows it all the same. */
  readonly isRefused: boolean;
}

/** The car to scale, from the side or from above: grab its parts, type its sizes, run it along its curve. */
export function CarDrawing({ design, edit, player, isRefused }: CarDrawingProps) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  const units = useUnits();
  const [isAbove, setAbove] = useState(false);
  const [held, setHeld] = useState<Scale | null>(null);
  const isStill = useMediaQuery('(prefers-reduced-motion: reduce)');
  const side = useMemo(() => sideView(design), [design]);
  const plan = useMemo(() => planView(design), [design]);
  const size = (value: number): string => printQuantity(value, 'size', units);
  const distance = (value: number): string => printQuantity(value, 'distance', units);
  const fitted = isAbove ? planScale(plan, width, height, MARGIN) : fitScale(side, width, height, MARGIN);
  const printTime = (time: number): string => printQuantity(time, 'time', units);
  const scale = held ?? fitted;
  const { pose } = player;
  const slope = design.floor.slope;
  const label = [
    `${design.name} from ${isAbove ? 'above' : 'the side'}: drive wheels ${size(design.driveWheels.diameter)} across`,
    ...(design.otherWheels ? [`other wheels ${size(design.otherWheels.diameter)}`, `wheelbase ${size(design.wheelbase)}`] : []),
    ...motorLabels(design, size),
  ].join(', ');
  const present = useRef(design);
  useEffect(() => {
    present.current = design;
  });
  const saveCar = useCallback(() => downloadJson(`${fileName(present.current.name)}.car.json`, present.current), []);
  const specs = isAbove ? planHandles(design, plan) : sideHandles(design, side);
  return (
    <section ref={ref} aria-label="Drawing" className={styles.drawing}>
      {width > 0 && height > 0 && (
        <TypedSizes design={design} edit={edit}>
          <svg width={width} height={height} role="group" aria-label={label} style={{ position: 'absolute' }} id="car-drawing">
            <defs>
              <pattern id="graph-paper" width={GRID} height={GRID} patternUnits="userSpaceOnUse">
                <path d={`M${GRID} 0V${GRID}H0`} fill="none" stroke="var(--mui-palette-workbench-rule)" strokeWidth={0.6} opacity={0.7} />
              </pattern>
            </defs>
            <rect width={width} height={height} fill="url(#graph-paper)" />
            {isAbove ? (
              <PlanDrawing design={design} view={plan} scale={scale} size={size} distance={distance} />
            ) : (
              <SideDrawing design={design} view={side} scale={scale} width={width} pose={pose} size={size} />
            )}
            {!pose && (
              <Handles
                design={design}
                specs={specs}
                scale={scale}
                edit={edit}
                onDrag={(isDragging) => setHeld(isDragging ? scale : null)}
              />
            )}
            <path
              d={side.heading > 0 ? `M${width - 78} 26h46m-7 -5l7 5l-7 5` : `M${width - 32} 26h-46m7 -5l-7 5l7 5`}
              stroke="var(--mui-palette-workbench-distance)"
              strokeWidth={2}
              fill="none"
            />
          </svg>
        </TypedSizes>
      )}
      <div className={styles.tools}>
        <Tools name={design.name} isAbove={isAbove} onAbove={setAbove} onSave={saveCar} />
        {player.end > 0 && !isAbove && <PlayerBar player={player} canPlay={!isStill} print={printTime} />}
        {isRefused && <p className={styles.refused}>✕ It cannot run like this.</p>}
        <p className={styles.words} aria-live={player.isPlaying ? 'off' : 'polite'}>
          {pose
            ? `${printTime(pose.time)}, ${distance(pose.distance)}, ${printQuantity(pose.speed, 'speed', units)}: ${PHASE_WORDS[pose.phase]}`
            : `${FLOORS[design.floor.kind].label}, ${slope === 0 ? 'level' : `${printQuantity(Math.abs(slope), 'angle', units)} ${slope > 0 ? 'uphill' : 'downhill'}`}`}
        </p>
      </div>
    </section>
  );
}

interface PlayerBarProps {
  readonly player: Player;
  readonly canPlay: boolean;
  readonly print: (seconds: number) => string;
}

/** Runs the car along its curve, or puts it anywhere on it. A plain slider: it is drawn anew in every frame. */
const PlayerBar = ({ player, canPlay, print }: PlayerBarProps) => (
  <>
    {canPlay && <PlayButton isPlaying={player.isPlaying} onPlay={player.play} onPause={player.pause} />}
    <input
      type="range"
      className={styles.along}
      aria-label="Along the run"
      min={0}
      max={player.end}
      step={player.end / 400}
      value={player.pose?.time ?? 0}
      aria-valuetext={print(player.pose?.time ?? 0)}
      onChange={({ target }) => player.scrub(Number(target.value))}
    />
    {player.pose && (
      <Button size="small" onClick={() => player.scrub(null)}>
        to the line
      </Button>
    )}
  </>
);

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
  readonly isAbove: boolean;
  readonly onAbove: (isAbove: boolean) => void;
  readonly onSave: () => void;
}

/** Drawn anew only when the view changes. */
const Tools = memo(function Tools({ name, isAbove, onAbove, onSave }: ToolsProps) {
  const saveDrawing = (): void =>
    download(`${fileName(name)}.svg`, standalone(document.getElementById('car-drawing') as unknown as SVGSVGElement), 'image/svg+xml');
  return (
    <>
      <Button size="small" aria-pressed={isAbove} onClick={() => onAbove(!isAbove)}>
        {isAbove ? 'from the side' : 'from above'}
      </Button>
      <Button size="small" onClick={saveDrawing}>
        save drawing
      </Button>
      <Button size="small" onClick={onSave}>
        save car
      </Button>
    </>
  );
});
