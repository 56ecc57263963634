import { memo, useId, useRef } from 'react';
import type { Floor } from '../../core/car/car-design.ts';
import { FLOORS } from '../../core/car/catalogue.ts';
import { floorProfile, inOrder, onProfile } from '../../core/car/floors.ts';
import { formatQuantity } from '../../core/units/quantity.ts';
import { arrowStep } from '../ui/arrow-step.ts';
import { newId } from '../app/new-id.ts';
import { useStableKeys } from '../ui/stable-keys.ts';
import { useSize } from '../ui/use-size.ts';
import { useUnits } from '../ui/use-units.ts';
import styles from './brief-fields.module.css';
import type { ChangeFloor } from './floor-fields.tsx';

/** A place that counts on a floor: a mark, or a gap of some width, m. */
export interface FloorMark {
  readonly at: number;
  readonly width?: number;
  readonly label: string;
}

interface FloorStripProps {
  readonly name: string;
  readonly floor: Floor;
  readonly marks: readonly FloorMark[];
  /** Where it may be edited: what is grabbed on it changes the floor. */
  readonly change?: ChangeFloor;
}

/** px about the drawing; m that an open floor is drawn beyond what is on it, and that it is drawn wide where no lane says. */
const MARGIN = { left: 44, right: 26, top: 20, between: 40, bottom: 8 };
const BEYOND = 2;
const USUAL_END = 10;
const USUAL_WIDTH = 1.2;
/** px that a floor seen from above is drawn high, at least and at most; beyond, it is drawn narrower than to scale, and says so. */
const NARROWEST = 26;
const WIDEST = 110;
/** m */
const STEP = 0.1;

const colour = (name: string): string => `var(--mui-palette-workbench-${name})`;

/** A floor as a strip, to scale from the side and from above; where it may be edited its stretches, twigs and wall are moved by pointer or arrows. */
export const FloorStrip = memo(function FloorStrip({ name, floor, marks, change }: FloorStripProps) {
  const units = useUnits();
  const id = useId();
  const { ref, width } = useSize<HTMLDivElement>();
  const [stretchKeys, edgeKeys] = [useStableKeys(floor.stretches), useStableKeys(floor.edges)];
  const metres = (value: number): string => formatQuantity(value, 'distance', units);
  const places = [...floor.stretches.map(({ from }) => from), ...floor.edges.map(({ at }) => at), ...marks.map(({ at }) => at)];
  const end = floor.roomLength ?? Math.max(USUAL_END, ...places.map((place) => place + BEYOND));
  const profile = floorProfile(floor, end);
  const { left, right, top, between, bottom } = MARGIN;
  const across = Math.max(width, 260) - left - right;
  const perMetre = across / end;
  const x = (along: number): number => left + along * perMetre;
  const heights = profile.map(({ y }) => y);
  const [lowest, highest] = [Math.min(0, ...heights), Math.max(0, ...heights)];
  // From the side: as high as it rises, to the same scale.
  const side = (along: number): number => top + 14 + (highest - onProfile(profile, along).y) * perMetre;
  const sideEnd = top + 14 + (highest - lowest) * perMetre;
  const laid = floor.laneWidth ?? Math.max(USUAL_WIDTH, ...marks.map((mark) => 1.5 * (mark.width ?? 0)));
  const toScale = laid * perMetre;
  const deep = Math.min(Math.max(toScale, NARROWEST), WIDEST);
  const deepPerMetre = deep / laid;
  const above = sideEnd + between;
  const middle = above + deep / 2;
  const height = above + deep + 22 + bottom;
  const pieces = [{ from: 0, kind: floor.kind, slope: floor.slope }, ...floor.stretches].filter(({ from }) => from < end);
  const words = `${name}: ${pieces.map(({ from, kind }) => `${FLOORS[kind].label} from ${metres(from)}`).join(', ')}${
    floor.roomLength === null ? ', no wall' : `, wall at ${metres(floor.roomLength)}`
  }`;
  const letters = (px: number): number => Math.floor(px / 7);
  const cut = (text: string, px: number): string => (text.length > letters(px) ? `${text.slice(0, Math.max(letters(px) - 1, 0))}…` : text);
  return (
    <div ref={ref}>
      <svg
        viewBox={`0 0 ${left + across + right} ${height}`}
        width={left + across + right}
        height={height}
        className={styles.strip}
        role="group"
        aria-label={words}
      >
        <defs>
          {pieces.map((_piece, i) => (
            <pattern key={i} id={`${id}-${i}`} width={i % 2 === 0 ? 400 : 7} height={7} patternUnits="userSpaceOnUse">
              <rect width={400} height={7} fill={colour('rule')} opacity={i % 2 === 0 ? 0.55 : 0.9} />
              {i % 2 === 1 && <circle cx={2} cy={2} r={1.2} fill={colour('muted')} />}
            </pattern>
          ))}
        </defs>
        <text x={4} y={side(0) + 4} fill={colour('muted')}>
          side
        </text>
        {pieces.map(({ from, slope }, i) => {
          const to = pieces[i + 1]?.from ?? end;
          return (
            <g key={i}>
              <path d={`M${x(from)} ${side(from)}L${x(to)} ${side(to)}`} stroke={colour('ink')} strokeWidth={2} />
              {slope !== 0 && (
                <text x={(x(from) + x(to)) / 2} y={(side(from) + side(to)) / 2 - 8} textAnchor="middle">
                  {cut(`${formatQuantity(Math.abs(slope), 'angle', units)} ${slope > 0 ? 'up' : 'down'}`, x(to) - x(from))}
                </text>
              )}
            </g>
          );
        })}
        {floor.edges
          .filter(({ at }) => at <= end)
          .map(({ at, height: high }, i) => (
            <g key={i}>
              {/* A twig to scale is no more than a dot: a tick stands where it lies. */}
              <path d={`M${x(at)} ${side(at)}v${-Math.max(high * perMetre, 7)}`} stroke={colour('pull')} strokeWidth={4} />
              <text x={x(at)} y={side(at) - 11} textAnchor="middle">
                {formatQuantity(high, 'size', units)}
              </text>
              <path d={`M${x(at)} ${above}v${deep}`} stroke={colour('pull')} strokeWidth={3} />
            </g>
          ))}
        <text x={4} y={middle + 4} fill={colour('muted')}>
          above
        </text>
        {pieces.map(({ from, kind }, i) => {
          const to = pieces[i + 1]?.from ?? end;
          return (
            <g key={i}>
              <rect x={x(from)} y={above} width={x(to) - x(from)} height={deep} fill={`url(#${id}-${i})`} />
              <text x={x(from) + 4} y={above - 6}>
                {cut(FLOORS[kind].label, x(to) - x(from) - 8)}
              </text>
            </g>
          );
        })}
        {floor.laneWidth !== null && (
          <>
            <path d={`M${x(0)} ${above}H${x(end)}M${x(0)} ${above + deep}H${x(end)}`} stroke={colour('ink')} strokeDasharray="6 4" />
            <text x={x(end) - 4} y={above + deep - 6} textAnchor="end">
              {`lane ${metres(floor.laneWidth)}`}
            </text>
          </>
        )}
        <path d={`M${x(0)} ${middle}H${x(end)}`} stroke={colour('distance')} strokeWidth={1} strokeDasharray="2 5" />
        <path d={`M${x(0)} ${above - 4}v${deep + 8}`} stroke={colour('ink')} strokeWidth={3} />
        {marks
          .filter(({ at }) => at <= end)
          .map(({ at, width: gap, label }) => (
            <g key={label}>
              {gap === undefined ? (
                <path d={`M${x(at)} ${above - 2}v${deep + 4}`} stroke={colour('distance')} strokeWidth={3} />
              ) : (
                [-1, 1].map((sign) => (
                  <circle key={sign} cx={x(at)} cy={middle + (sign * gap * deepPerMetre) / 2} r={5} fill={colour('distance')} />
                ))
              )}
              <text x={x(at)} y={above + deep + 16} textAnchor={at > 0.8 * end ? 'end' : 'middle'} fill={colour('distance')}>
                {label}
              </text>
            </g>
          ))}
        <text x={x(0)} y={above + deep + 16} textAnchor="middle">
          line
        </text>
        {floor.roomLength !== null && (
          <>
            <rect x={x(end)} y={side(end) - 22} width={6} height={22} fill={colour('ink')} />
            <rect x={x(end)} y={above - 4} width={6} height={deep + 8} fill={colour('ink')} />
            <text x={x(end) - 6} y={side(end) - 8} textAnchor="end">
              {`wall at ${metres(end)}`}
            </text>
          </>
        )}
        {toScale !== deep && floor.laneWidth !== null && (
          <text x={x(end)} y={above + deep + 16} textAnchor="end" fill={colour('muted')}>
            width not to scale
          </text>
        )}
        {change && (
          <>
            {/* In the order of their keys: one that is dragged past another stays the same thing on the page. */}
            {floor.stretches
              .map((stretch, i) => ({ ...stretch, i, key: stretchKeys[i]! }))
              .sort((a, b) => Number(a.key) - Number(b.key))
              .map(({ from, kind, i, key }) => (
                <StripHandle
                  key={`stretch ${key}`}
                  label={`Where ${FLOORS[kind].label} begins, ${name}`}
                  value={from}
                  most={end}
                  x={x(from)}
                  y={middle}
                  perMetre={perMetre}
                  words={metres}
                  onMove={(to, gesture) => {
                    // Where another begins already, it waits for the hand to go on: none is lost.
                    if (!floor.stretches.some((one, k) => k !== i && one.from === to))
                      change((present) => {
                        const moved = present.stretches.map((one, k) => (k === i ? { ...one, from: to } : one));
                        return { ...present, stretches: inOrder(moved) };
                      }, gesture);
                  }}
                />
              ))}
            {floor.edges.map(({ at }, i) => (
              <StripHandle
                key={`edge ${edgeKeys[i]}`}
                label={`Twig or step ${i + 1}, ${name}`}
                value={at}
                most={end}
                x={x(at)}
                y={side(at)}
                perMetre={perMetre}
                words={metres}
                onMove={(to, gesture) =>
                  change((present) => ({ ...present, edges: present.edges.map((one, k) => (k === i ? { ...one, at: to } : one)) }), gesture)
                }
              />
            ))}
            {floor.roomLength !== null && (
              <StripHandle
                label={`The wall, ${name}`}
                value={floor.roomLength}
                most={1000}
                x={x(end) + 3}
                y={middle}
                perMetre={perMetre}
                words={metres}
                onMove={(to, gesture) => change((present) => ({ ...present, roomLength: to }), gesture)}
              />
            )}
          </>
        )}
      </svg>
    </div>
  );
});

interface StripHandleProps {
  readonly label: string;
  /** m from the line. */
  readonly value: number;
  readonly most: number;
  readonly x: number;
  readonly y: number;
  readonly perMetre: number;
  readonly words: (metres: number) => string;
  /** Told of each place it comes to; those of one drag, or of one key that is held, belong to one gesture. */
  readonly onMove: (value: number, gesture: string) => void;
}

/** Something on a floor that is moved along it. */
function StripHandle({ label, value, most, x, y, perMetre, words, onMove }: StripHandleProps) {
  // The strip keeps its scale while something on it is dragged, though the wall moves with the hand.
  const grabbed = useRef<{ readonly at: number; readonly from: number; readonly perMetre: number } | null>(null);
  const gesture = useRef('');
  const move = (to: number): void => {
    const snapped = Math.round(Math.min(Math.max(to, STEP), most) / STEP) * STEP;
    const rounded = Number(snapped.toFixed(3));
    if (rounded !== value) onMove(rounded, gesture.current);
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={most}
      aria-valuenow={value}
      aria-valuetext={words(value)}
      className={styles.handle}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        event.currentTarget.focus();
        gesture.current = newId();
        grabbed.current = { at: event.clientX, from: value, perMetre };
      }}
      onPointerMove={({ clientX }) => {
        const grab = grabbed.current;
        if (grab) move(grab.from + (clientX - grab.at) / grab.perMetre);
      }}
      onPointerUp={() => (grabbed.current = null)}
      onPointerCancel={() => (grabbed.current = null)}
      onKeyDown={(event) => {
        const steps = arrowStep(event);
        if (steps === null) return;
        event.preventDefault();
        if (!event.repeat) gesture.current = newId();
        move(value + steps * STEP);
      }}
    >
      <circle cx={x} cy={y} r={13} fill="transparent" />
      <circle cx={x} cy={y} r={6} fill={colour('panel')} stroke={colour('distance')} strokeWidth={3} />
    </g>
  );
}
