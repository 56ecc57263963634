import { Fragment, memo, useId, useMemo } from 'react';
import type { ForceReading } from '../../../core/bench/force-readings.ts';
import { tyrePush } from '../../../core/run/trace.ts';
import { formatPredicted, formatQuantity, unitOf, type UnitSystem, unitValue } from '../../../core/units/quantity.ts';
import { FONTS } from '../../ui/tokens.ts';
import { CLEAR_GROUND } from '../../ui/clear-ground.ts';
import { Hatch } from '../../ui/hatch.tsx';
import { PHASE_WORDS } from '../../ui/phase-words.ts';
import { rowAt, type CurveRow, type PhaseSpan } from './curve-data.ts';
import { axisEnds, brakedBy, scaleTo, ticksTo, type CurveScale, type CurveView } from './curve-scale.ts';

const colour = (name: string): string => `var(--mui-palette-workbench-${name})`;

/** px that a letter takes, generously. */
const LETTER = 7;
/** Dashes of what lies behind, distinguished without colour. */
const DASHES = ['2 4', '9 5', '9 4 2 4', '14 6', '2 8'];
/** px up that the words of the useful work need. */
const WORK_ROOM = 26;

interface CurvePlotProps extends CurveView {
  /** m, marked on the curve. */
  readonly reading: number | null;
  readonly units: UnitSystem;
  /** The floors it runs on, from the line; one is not drawn. */
  readonly floors: readonly FloorPiece[];
  /** Pulls that were read at the rim. */
  readonly pulls?: readonly ForceReading[];
  /** Twigs and steps: m from the line, and how high in words. */
  readonly edges: readonly { readonly at: number; readonly height: string }[];
}

interface PullsProps extends Pick<CurvePlotProps, 'curve' | 'units'> {
  readonly pulls: readonly ForceReading[];
  readonly scale: CurveScale;
}

/** px of a mark to either side. */
const MARK = 4;

/** Pulls that were read turn by turn, laid over the curve that is predicted. */
function Pulls({ pulls, curve, scale: { x, y, top }, units }: PullsProps) {
  const placed = pulls.flatMap(({ distance, force }) => {
    const row = rowAt(curve, distance);
    return row ? [{ px: x(row), py: Math.max(y(force), top), force, distance }] : [];
  });
  const last = placed.at(-1);
  return (
    <g>
      {placed.map(({ px, py, force, distance }) => (
        <path
          key={distance}
          d={`M${px.toFixed(1)} ${(py - MARK).toFixed(1)}l${MARK} ${MARK}l-${MARK} ${MARK}l-${MARK} -${MARK}Z`}
          fill={colour('panel')}
          stroke={colour('ink')}
          strokeWidth={1.5}
        >
          <title>{`measured at the rim: ${formatQuantity(force, 'force', units)}`}</title>
        </path>
      ))}
      {last && <Name x={Math.round(last.px + 8)} y={Math.round(last.py - 8)} fill={colour('ink')} text="◇ measured at the rim" />}
    </g>
  );
}

/** A floor from so many m on. */
export interface FloorPiece {
  readonly from: number;
  readonly name: string;
}

/** px below the axis that the floors take. */
const FLOOR_ROOM = 20;

/** The pull curve itself: drawn again in every frame of a drag, so by hand and light. */
export function CurvePlot({ curve, behind, axis, width, height, isWhole, reading, units, floors, edges, pulls = [] }: CurvePlotProps) {
  const tall = height - (floors.length > 1 ? FLOOR_ROOM : 0);
  const hatch = useId();
  const { along, most, fold } = axisEnds({ curve, behind, axis, isWhole });
  const [from, to, gap] = [fold?.from ?? null, fold?.to ?? 0, fold?.gap ?? 0];
  // The same scale while the axes stand still: they are drawn again only when they move.
  const scale = useMemo(
    () => scaleTo({ along, most, fold: from === null ? null : { from, to, gap } }, axis, width, tall),
    [along, most, from, to, gap, axis, width, tall],
  );
  const { x, y, left, right, top, floor } = scale;
  const { rows } = curve;
  const lineOf = (of: readonly CurveRow[], value: (row: CurveRow) => number): string =>
    of.map((row, i) => `${i === 0 ? 'M' : 'L'}${x(row).toFixed(1)} ${y(value(row)).toFixed(1)}`).join('');
  const areaOf = (of: readonly CurveRow[], upper: (row: CurveRow) => number, lower: (row: CurveRow) => number): string =>
    `${lineOf(of, upper)}${lineOf([...of].reverse(), lower).replace('M', 'L')}Z`;
  const thrust = (row: CurveRow): number => row.thrust;
  const pull = lineOf(rows, thrust);
  // Without wheelspin or braking all of the pull is passed on.
  const isPassedOn = rows.every((row) => tyrePush(row) === row.thrust);
  const gripLimit = (row: CurveRow): number => row.gripLimit;
  const grip = rows[0]?.gripLimit ?? 0;
  const isGripShown = grip < most;
  const at = (part: number): CurveRow => rows.find(({ distance }) => distance >= part * (curve.powerEnd ?? curve.end)) ?? rows.at(-1)!;
  const read = reading === null ? null : rowAt(curve, reading);
  const spinning = rows.filter(({ phase }) => phase === 'spinning');
  const braked = rows.filter(({ thrust: newton }) => newton < 0);
  const energy = (joule: number): string => formatPredicted(joule, 'energy', units);
  const name = (text: string, row: CurveRow, newton: number, fill: string, up: boolean) => (
    <Name
      x={Math.round(Math.max(left, Math.min(x(row), right - LETTER * text.length)))}
      y={Math.round(up ? y(newton) - 10 : Math.min(y(newton) + 18, floor - 6))}
      fill={fill}
      text={text}
    />
  );
  const early = at(0.1);
  const [upper, between] = [y(tyrePush(early)), y(early.resistance)];
  // In the area between pull and resistance, or below both.
  const workAt =
    between - upper > WORK_ROOM ? between - 8 : floor - Math.max(upper, between) > WORK_ROOM ? (floor + between) / 2 + 4 : null;
  const earlier = behind.map(({ name: called, curve: other }, i) => {
    const shown = other.rows.filter((row) => x(row) <= right);
    // Their names stand apart from one another, to the right of this car's own.
    const place = (0.4 + (0.5 * (i + 1)) / (behind.length + 1)) * (shown.at(-1)?.[axis] ?? 0);
    const named = shown.find((row) => row[axis] >= place);
    return { called, shown, named, dash: DASHES[i % DASHES.length] };
  });
  return (
    <svg width={width} height={height} fontFamily={FONTS.text} fontSize={13} aria-hidden style={{ position: 'absolute' }}>
      <Hatch id={hatch} colour={colour('stop')} line={1.4} />
      <Axes scale={scale} axis={axis} units={units} />
      <text x={16} y={16} fill={colour('muted')}>
        {`pull at the tyre, ${unitOf('force', units)}${isGripShown ? '' : `  · grip limit ${formatPredicted(grip, 'force', units)}, far above`}`}
      </text>
      <path d={`${isPassedOn ? pull : lineOf(rows, tyrePush)}V${floor}H${left}Z`} fill={colour('pullArea')} opacity={0.55} />
      {spinning.length > 1 && (
        <path d={areaOf(spinning, (row) => Math.max(row.thrust, row.gripLimit), gripLimit)} fill={`url(#${hatch})`} />
      )}
      {braked.length > 1 && <path d={areaOf(braked, brakedBy, (row) => row.resistance)} fill={colour('distance')} opacity={0.25} />}
      {axis === 'distance' && curve.left.length > 1 && <StillWound curve={curve} scale={scale} energy={energy} />}
      <path d={pull} fill="none" stroke={colour('pull')} strokeWidth={3} strokeLinejoin="round" />
      {isGripShown && (
        <path d={lineOf(rows, (row) => Math.min(row.gripLimit, most))} fill="none" stroke={colour('ink')} strokeWidth={1.5} />
      )}
      <path d={lineOf(rows, (row) => row.resistance)} fill="none" stroke={colour('distance')} strokeWidth={2} strokeDasharray="7 5" />
      {earlier.map(({ shown, dash }, i) => (
        <path key={i} d={lineOf(shown, thrust)} fill="none" stroke={colour('muted')} strokeWidth={2} strokeDasharray={dash} />
      ))}
      <path d={`M${left} ${top}V${floor}H${right}`} fill="none" stroke={colour('ink')} />
      {axis === 'distance' && <path d={`M${x(rows.at(-1)!)} ${floor - 12}v12`} stroke={colour('ink')} strokeWidth={2} />}
      {fold && <Break scale={scale} words={`${formatPredicted(curve.fold!.to - curve.fold!.from, 'distance', units)} not drawn`} />}
      {floors.length > 1 && <Floors floors={floors} curve={curve} scale={scale} />}
      {edges
        .filter(({ at: place }) => place <= curve.end)
        .map(({ at: place, height: high }, i) => {
          const row = rowAt(curve, place);
          return (
            row && (
              <path key={i} d={`M${x(row) - 5} ${floor}l5 -9l5 9Z`} fill={colour('ink')}>
                <title>{`${high} high at ${formatQuantity(place, 'distance', units)}`}</title>
              </path>
            )
          );
        })}
      <Phases scale={scale} phases={curve.phases} coastFrom={(metres) => formatPredicted(curve.end - metres, 'distance', units)} />
      <g {...NAMES}>
        {spinning.length > 1 &&
          name(
            `wheelspin ${energy(curve.work.slip)}`,
            spinning[Math.floor(spinning.length / 8)]!,
            spinning[0]!.thrust,
            colour('stop'),
            true,
          )}
        {braked.length > 1 && name('winds up again and brakes', braked[0]!, Math.max(...braked.map(brakedBy)), colour('distance'), true)}
        {isGripShown && name(`grip limit ${formatPredicted(grip, 'force', units)}`, at(0.8), at(0.8).gripLimit, colour('ink'), true)}
        {earlier.map(({ called, named }, i) => (
          <Fragment key={i}>{named && name(called, named, named.thrust, colour('muted'), true)}</Fragment>
        ))}
        {name('pull of this car', at(0.3), at(0.3).thrust, colour('pullText'), true)}
        {workAt !== null && (
          <Name x={left + 10} y={Math.round(workAt)} fill={colour('pullText')} text={`useful work ${energy(curve.work.useful)}`} />
        )}
        {name('resistance', at(0.72), at(0.72).resistance, colour('distance'), false)}
      </g>
      {pulls.length > 0 && <Pulls pulls={pulls} curve={curve} scale={scale} units={units} />}
      {read && (
        <>
          <path d={`M${x(read)} ${top}V${floor}`} stroke={colour('distance')} strokeDasharray="4 3" />
          <circle cx={x(read)} cy={y(read.thrust)} r={5} fill={colour('panel')} stroke={colour('pull')} strokeWidth={3} />
        </>
      )}
    </svg>
  );
}

interface FloorsProps {
  readonly floors: readonly FloorPiece[];
  readonly curve: CurveView['curve'];
  readonly scale: CurveScale;
}

/** px below the axis of the floors' names, and what one is shortened to where the next begins soon. */
const FLOOR_NAMES = 52;

/** The floors under the curve: a strip along the axis, a line where one meets the next, their names below. */
const Floors = memo(function Floors({ floors, curve, scale: { x, top, floor, left, right } }: FloorsProps) {
  const starts = floors.map(({ from }) => {
    const row = from > 0 ? rowAt(curve, from) : null;
    return from > curve.end ? null : row ? Math.min(x(row), right) : left;
  });
  return (
    <g>
      {floors.map(({ name }, i) => {
        const start = starts[i];
        if (start == null) return null;
        const end = starts[i + 1] ?? right;
        const letters = Math.floor((end - start - 6) / LETTER);
        return (
          <g key={i}>
            <rect x={start} y={floor + 1} width={Math.max(end - start, 0)} height={5} fill={colour(i % 2 === 0 ? 'rule' : 'muted')} />
            {i > 0 && <path d={`M${start} ${top}V${floor + FLOOR_NAMES}`} stroke={colour('muted')} strokeDasharray="1 4" />}
            {letters > 2 && (
              <text x={start + 4} y={floor + FLOOR_NAMES} fill={colour('muted')}>
                {name.length > letters ? `${name.slice(0, letters - 1)}…` : name}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
});

const NAMES = { ...CLEAR_GROUND, fontWeight: 600 };

interface NameProps {
  readonly x: number;
  readonly y: number;
  readonly fill: string;
  readonly text: string;
}

/** Words on the curve, drawn again only when they say or stand otherwise. */
const Name = memo(function Name({ text, ...place }: NameProps) {
  return <text {...place}>{text}</text>;
});

interface AxesProps {
  readonly scale: CurveScale;
  readonly axis: CurveView['axis'];
  readonly units: UnitSystem;
}

const FIGURES = { fontFamily: FONTS.figures, fontSize: 12 };
const figure = (value: number): string => String(Number(value.toFixed(3)));

/** Values marked along an axis, SI: round ones as far as it is whole, and beyond a break as many as have room. */
function marksAlong({ along, fold }: CurveScale, unit: number): number[] {
  const all = ticksTo(along / unit, 7).map((value) => value * unit);
  if (!fold) return all;
  const step = all[1]! - all[0]!;
  const beyond = along - fold.from - fold.gap;
  const first = Math.ceil(fold.to / step) * step;
  const count = Math.max(0, Math.floor((beyond - (first - fold.to)) / step) + 1);
  const last = Array.from({ length: count }, (_, i) => first + i * step);
  return [...all.filter((value) => value <= fold.from), ...last];
}

/** Where a long coasting is shortened: a gap, how much is left out there, and two strokes through the axis. */
const Break = memo(function Break({ scale: { x, floor, top, fold }, words }: { readonly scale: CurveScale; readonly words: string }) {
  const [start, end] = [fold!.from, fold!.to].map((value) => x({ distance: value, time: value }));
  const middle = (start! + end!) / 2;
  return (
    <g>
      <rect x={start} y={top} width={end! - start!} height={floor - top + 2} fill="var(--mui-palette-background-default)" />
      <text
        transform={`translate(${middle + 4} ${(floor + top) / 2}) rotate(-90)`}
        textAnchor="middle"
        fontSize={12}
        fill={colour('muted')}
      >
        {words}
      </text>
      {[-4, 3].map((offset) => (
        <path
          key={offset}
          d={`M${middle + offset - 4} ${floor + 7}L${middle + offset + 4} ${floor - 7}`}
          stroke={colour('ink')}
          strokeWidth={1.5}
        />
      ))}
    </g>
  );
});

const Axes = memo(function Axes({ scale, axis, units }: AxesProps) {
  const { left, right, floor, most, x, y } = scale;
  const [far, strong] = [axis === 'distance' ? unitValue('distance', units) : 1, unitValue('force', units)];
  return (
    <g fill={colour('muted')}>
      {ticksTo(most / strong, 6).map((value) => (
        <g key={value}>
          <path d={`M${left} ${y(value * strong)}H${right}`} stroke={colour('rule')} strokeWidth={0.7} />
          <text x={left - 8} y={y(value * strong) + 4} textAnchor="end" {...FIGURES}>
            {figure(value)}
          </text>
        </g>
      ))}
      {marksAlong(scale, far).map((value) => {
        const px = x({ distance: value, time: value });
        return (
          <g key={value}>
            <path d={`M${px} ${floor}v5`} stroke={colour('ink')} />
            <text x={px} y={floor + 18} textAnchor="middle" {...FIGURES}>
              {figure(value / far)}
            </text>
          </g>
        );
      })}
      <text x={right} y={floor + 36} textAnchor="end">
        {axis === 'distance' ? `distance travelled, ${unitOf('distance', units)}` : 'time, s'}
      </text>
    </g>
  );
});

interface PhasesProps {
  readonly scale: CurveScale;
  readonly phases: readonly PhaseSpan[];
  /** How far it coasts from a distance on. */
  readonly coastFrom: (metres: number) => string;
}

/** What the tyre does where, along the top of the plot. */
const Phases = ({ scale: { x, top, floor }, phases, coastFrom }: PhasesProps) => (
  <g fill={colour('ink')}>
    {phases.map(({ phase, from, to }, i) => {
      const [start, end] = [Math.round(x(from)), x(to)];
      const words = phase === 'coasting' ? `coasts ${coastFrom(from.distance)}` : PHASE_WORDS[phase];
      const bar = i === 0 ? '' : `M${start} ${top - 14}V${phase === 'coasting' ? floor : top}`;
      return <PhaseMark key={i} x={start} y={top} bar={bar} words={end - start > LETTER * words.length ? words : ''} />;
    })}
  </g>
);

interface PhaseMarkProps {
  readonly x: number;
  readonly y: number;
  /** The line where it begins, as a path. */
  readonly bar: string;
  readonly words: string;
}

/** Drawn again only when it says or stands otherwise. */
const PhaseMark = memo(function PhaseMark({ x, y, bar, words }: PhaseMarkProps) {
  return (
    <>
      {bar !== '' && <path d={bar} stroke={colour('ink')} strokeWidth={0.8} />}
      {words !== '' && (
        <text x={x + 6} y={y - 4} fontSize={12}>
          {words}
        </text>
      )}
    </>
  );
});

/** The pull that is left when the car stops while wound. */
function StillWound({
  curve,
  scale: { x, y, floor, right },
  energy,
}: Pick<CurveView, 'curve'> & { readonly scale: CurveScale; readonly energy: (joule: number) => string }) {
  const places = curve.left.map(({ distance, thrust }) => ({ at: x({ distance, time: 0 }), thrust }));
  const line = places.map(({ at, thrust }, i) => `${i === 0 ? 'M' : 'L'}${at.toFixed(1)} ${y(thrust).toFixed(1)}`).join('');
  return (
    <>
      <path d={`${line}L${places.at(-1)!.at} ${floor}L${places[0]!.at} ${floor}Z`} fill={colour('rule')} opacity={0.8} />
      <path d={line} fill="none" stroke={colour('pull')} strokeWidth={2} strokeDasharray="1 5" strokeLinecap="round" />
      <g {...NAMES}>
        <Name
          // Clear of the names at the line, where all of it is left.
          x={Math.round(Math.min(places[0]!.at + Math.max(6, 0.3 * (places.at(-1)!.at - places[0]!.at)), right - 170))}
          y={floor - 10}
          fill={colour('muted')}
          text={`left: ${Number(curve.turnsLeft.toPrecision(2))} turns, ${energy(curve.work.left)}`}
        />
      </g>
    </>
  );
}
