import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { bodyReach } from '../../core/car/body-reach.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import { faceColour } from '../../core/build/face-colour.ts';
import { carSolids, movingSolids, standingSolids } from '../../core/solid/car-solids.ts';
import { exploded } from '../../core/solid/exploded.ts';
import { pictureOf, placeOnPicture, STEP_VIEW, type Seen, type Viewpoint } from '../../core/solid/picture.ts';
import styles from './in-the-round.module.css';

interface InTheRoundProps {
  readonly design: CarDesign;
  readonly width: number;
  readonly height: number;
  /** px kept free above it. */
  readonly above?: number;
  /** rad, of its lever where it is not cocked. */
  readonly leverAngle?: number | null;
  readonly id?: string;
}

const DEGREE = Math.PI / 180;
/** rad that the car turns for each px it is dragged. */
const DRAGGED = 0.01;
/** As far as it is looked at from below and from above, degrees. */
const UP = { low: -20, high: 89 } as const;
/** px that the sliders take below it. */
const SLIDERS = 40;
/** By how much a car that is taken apart is larger. */
const SPREADS = 0.45;
/** Fraction of the room that the car takes. */
const FILLS = 0.92;

const held = (value: number, low: number, high: number): number => Math.min(Math.max(value, low), high);

/** Faces and edges as SVG, in px from the middle of the picture. */
function markup(seen: readonly Seen[], scale: number, middle: { readonly x: number; readonly y: number }): string {
  const path = ({ points }: Seen): string =>
    points
      .map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${(scale * (x - middle.x)).toFixed(1)} ${(scale * (middle.y - y)).toFixed(1)}`)
      .join('');
  return seen
    .map((one) => {
      if (one.kind === 'edge') return `<path d="${path(one)}" class="edge"/>`;
      const colour = faceColour({ isAdded: one.of.turnsWith === 'lever' || one.of.id === 'bands', light: one.light });
      return `<path d="${path(one)}Z" fill="${colour}" stroke="${colour}"/>`;
    })
    .join('');
}

/** The car in the round: turned by dragging or by its sliders, and taken apart. */
export function InTheRound({ design, width, height, above = 0, leverAngle = null, id }: InTheRoundProps) {
  const [view, setView] = useState<Viewpoint>(STEP_VIEW);
  const [apart, setApart] = useState(0);
  const grabbed = useRef<{ readonly x: number; readonly y: number; readonly view: Viewpoint } | null>(null);
  const solids = useMemo(
    () => (leverAngle === null ? carSolids(design) : [...standingSolids(design), ...movingSolids(design, leverAngle)]),
    [design, leverAngle],
  );
  const { middle, scale } = useMemo(() => frameOf(design, width, height - above - SLIDERS), [design, width, height, above]);
  const shown = useDeferredValue(useMemo(() => ({ solids: exploded(solids, apart), view, apart }), [solids, apart, view]));
  const drawn = useMemo(
    () => markup(pictureOf(shown.solids, shown.view), scale / (1 + SPREADS * shown.apart), placeOnPicture(shown.view, middle)),
    [shown, scale, middle],
  );
  const turnTo = (round: number, up: number): void => setView({ round, up: held(up, UP.low * DEGREE, UP.high * DEGREE) });
  return (
    <div className={styles.round} style={{ width, height }}>
      <svg
        id={id}
        role="img"
        aria-label={`${design.name} in the round`}
        width={width}
        height={height}
        viewBox={`${-width / 2} ${-(height + above - SLIDERS) / 2} ${width} ${height}`}
        className={styles.picture}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          grabbed.current = { x: event.clientX, y: event.clientY, view };
        }}
        onPointerMove={({ clientX, clientY }) => {
          const from = grabbed.current;
          if (from) turnTo(from.view.round - DRAGGED * (clientX - from.x), from.view.up + DRAGGED * (clientY - from.y));
        }}
        onPointerUp={() => (grabbed.current = null)}
        onPointerCancel={() => (grabbed.current = null)}
      >
        {/* Written by the program itself, numbers and colours alone. */}
        <g className={styles.drawn} dangerouslySetInnerHTML={{ __html: drawn }} />
      </svg>
      <div className={styles.sliders}>
        <Turn
          label="Turn"
          words="°"
          low={-180}
          high={180}
          value={asTurn(view.round / DEGREE)}
          onChange={(to) => turnTo(to * DEGREE, view.up)}
        />
        <Turn
          label="Tilt"
          words="°"
          low={UP.low}
          high={UP.high}
          value={view.up / DEGREE}
          onChange={(to) => turnTo(view.round, to * DEGREE)}
        />
        <Turn label="Take apart" words=" %" low={0} high={100} value={100 * apart} onChange={(to) => setApart(to / 100)} />
      </div>
    </div>
  );
}

/** Degrees between −180 and 180. */
const asTurn = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180;

interface TurnProps {
  readonly label: string;
  readonly words: string;
  readonly low: number;
  readonly high: number;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

const Turn = ({ label, words, low, high, value, onChange }: TurnProps) => (
  <label className={styles.slider}>
    {label}
    <input
      type="range"
      min={low}
      max={high}
      step={1}
      value={Math.round(value)}
      aria-valuetext={`${Math.round(value)}${words}`}
      onChange={({ target }) => onChange(Number(target.value))}
    />
  </label>
);

/** What the car is turned about, and px to the metre at which it fits however it is turned. */
function frameOf(design: CarDesign, width: number, height: number) {
  const { wheelbase, driveWheels, otherWheels, trackWidth, motor } = design;
  const long = (otherWheels ? bodyReach(design).right : 0) + driveWheels.diameter / 2 + (otherWheels?.diameter ?? driveWheels.diameter) / 2;
  const across = motor.kind === 'twist' ? motor.hookToHook : trackWidth;
  const tall = Math.max(driveWheels.diameter, otherWheels?.diameter ?? 0);
  const scale = FILLS * Math.min(width / Math.hypot(long, across), height / Math.hypot(tall, long / 2));
  return { middle: { x: otherWheels ? wheelbase / 2 : 0, y: 0, z: driveWheels.diameter / 2 }, scale };
}
