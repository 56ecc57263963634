import Button from '@mui/material/Button';
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { ForceReading } from '../../../core/bench/force-readings.ts';
import { FLOORS } from '../../../core/car/catalogue.ts';
import { deriveRunSetup } from '../../../core/predict/derive-run-setup.ts';
import { predictRun, type Prediction } from '../../../core/predict/predict-run.ts';
import { pullLeft } from '../../../core/run/pull-left.ts';
import { type Format, formatIn, formatQuantity } from '../../../core/units/quantity.ts';
import { ChartExport, type ChartTable } from '../chart-export.tsx';
import { PHASE_WORDS } from '../../ui/phase-words.ts';
import plain from '../../ui/plain.module.css';
import { useSize } from '../../ui/use-size.ts';
import { useUnits } from '../../ui/use-units.ts';
import { curveOf, rowAt, type Curve, type CurveRow } from './curve-data.ts';
import { CurvePlot } from './curve-plot.tsx';
import { distanceUnder, type CurveAxis } from './curve-scale.ts';
import { CurveTable } from './curve-table.tsx';
import styles from './pull-curve.module.css';
import type { Ghost } from './ghost.ts';

const NO_PULLS: readonly ForceReading[] = [];

interface PullCurveProps {
  readonly design: CarDesign;
  readonly prediction: Prediction;
  readonly ghosts: readonly Ghost[];
  /** Pulls that were read at the rim of this car. */
  readonly pulls?: readonly ForceReading[];
  /** m, where the car is along its run. */
  readonly played: number | null;
  /** Puts the car where the curve is dragged, s after release; null: back to the line. Not given where no car is drawn beside it. */
  readonly onScrub?: (time: number | null) => void;
}

function curveFor(design: CarDesign, prediction: Prediction): Curve | null {
  if (prediction.kind === 'refused') return null;
  const { result } = prediction;
  // Derived again only where something is left to pull: this is in every frame of a drag.
  return curveOf(result, result.turnsLeft > 0 ? pullLeft(deriveRunSetup(design), result) : []);
}

/** Pull at the tyre against distance: what pulls, what the floor can hold, what holds the car back. Dragged along, it moves the car. */
export function PullCurve({ design, prediction, ghosts, pulls = NO_PULLS, played, onScrub }: PullCurveProps) {
  const units = useUnits();
  const { ref, find, width, height } = useSize<HTMLDivElement>();
  const [pointed, setPointed] = useState<number | null>(null);
  // The car along its run is read where it is, unless another place is pointed at.
  const reading = pointed ?? played;
  const [asTable, setAsTable] = useState(false);
  const [axis, setAxis] = useState<CurveAxis>('distance');
  const [isWhole, setWhole] = useState(false);
  const curve = useMemo(() => curveFor(design, prediction), [design, prediction]);
  const floors = useMemo(
    () => [{ from: 0, kind: design.floor.kind }, ...design.floor.stretches].map(({ from, kind }) => ({ from, name: FLOORS[kind].label })),
    [design.floor.kind, design.floor.stretches],
  );
  const edges = design.floor.edges.map(({ at, height: high }) => ({ at, height: formatQuantity(high, 'size', units) }));
  const behind = useMemo(
    () =>
      ghosts.flatMap(({ name, design: earlier }) => {
        const drawn = curveFor(earlier, predictRun(earlier, { kind: 'full' }, { trace: true }));
        return drawn ? [{ name, curve: drawn }] : [];
      }),
    [ghosts],
  );
  const present = useRef(curve);
  useEffect(() => {
    present.current = curve;
  });
  const picture = useCallback(() => find()?.querySelector('svg') ?? null, [find]);
  const table = useCallback(() => tableOf(present.current), []);
  const row = curve && reading !== null ? rowAt(curve, reading) : null;
  const format = formatIn(units);

  const scrubTo = (distance: number | null): void => {
    setPointed(distance);
    onScrub?.(distance === null || !curve ? null : (rowAt(curve, distance)?.time ?? null));
  };
  const readByKey = (event: React.KeyboardEvent): void => {
    if (!curve) return;
    const step = curve.end / (event.shiftKey ? 10 : 60);
    const at = reading ?? 0;
    const next = {
      ArrowRight: at + step,
      ArrowUp: at + step,
      ArrowLeft: at - step,
      ArrowDown: at - step,
      PageUp: at + 10 * step,
      PageDown: at - 10 * step,
      Home: 0,
      End: curve.end,
      Escape: null,
    }[event.key];
    if (next === undefined) return;
    event.preventDefault();
    scrubTo(next === null ? null : Math.min(Math.max(next, 0), curve.end));
  };
  const follow = (event: React.PointerEvent): void => {
    if (!curve) return;
    const px = event.clientX - event.currentTarget.getBoundingClientRect().left;
    const under = distanceUnder(px, { curve, behind, axis, width, height, isWhole });
    if (event.buttons > 0 && under !== null) scrubTo(under);
    else setPointed(under);
  };

  return (
    <section aria-labelledby="curve-title" className={`${plain.panel} ${styles.panel}`}>
      <CurveHead
        name={design.name}
        axis={axis}
        asTable={asTable}
        onAxis={setAxis}
        onTable={setAsTable}
        isWhole={isWhole}
        onWhole={curve?.fold ? setWhole : null}
        canSave={curve !== null}
        picture={picture}
        table={table}
      />
      <p className={`${plain.caption} ${plain.muted} ${styles.reading}`}>
        {row
          ? readingWords(row, format)
          : curve
            ? onScrub
              ? 'Point at the curve to read it. Drag along it or use the arrow keys to move the car.'
              : 'Point at the curve to read it, or use the arrow keys.'
            : 'This car cannot run like this. The verdict shows why, and faults are marked ✕.'}
      </p>
      {curve && !asTable && (
        <div
          ref={ref}
          className={styles.plot}
          role="slider"
          tabIndex={0}
          aria-label={`Along the pull curve. ${curve.words(format)}`}
          aria-valuemin={0}
          aria-valuemax={Number(curve.end.toPrecision(4))}
          aria-valuenow={Number((reading ?? 0).toPrecision(4))}
          aria-valuetext={row ? readingWords(row, format) : 'at the line'}
          onKeyDown={readByKey}
          onBlur={() => setPointed(null)}
          onPointerDown={follow}
          onPointerMove={follow}
          onPointerLeave={() => setPointed(null)}
        >
          {width > 0 && height > 0 && (
            <CurvePlot
              curve={curve}
              behind={behind}
              reading={reading}
              axis={axis}
              isWhole={isWhole}
              units={units}
              floors={floors}
              edges={edges}
              pulls={pulls}
              width={width}
              height={height}
            />
          )}
        </div>
      )}
      {curve && asTable && <CurveTable curve={curve} />}
    </section>
  );
}

/** What the curve says at a place, in one line. */
const readingWords = ({ distance, time, thrust, resistance, speed, phase }: CurveRow, format: Format): string =>
  `at ${format(distance, 'distance')}, ${format.predicted(time, 'time')}: pull ${format.predicted(thrust, 'force')}, resistance ${format.predicted(resistance, 'force')}, ${format.predicted(speed, 'speed')}, ${PHASE_WORDS[phase]}`;

const tableOf = (curve: Curve | null): ChartTable => ({
  head: ['distance m', 'time s', 'speed m/s', 'pull N', 'grip limit N', 'resistance N', 'phase'],
  rows: (curve?.rows ?? []).map((r) => [r.distance, r.time, r.speed, r.thrust, r.gripLimit, r.resistance, PHASE_WORDS[r.phase]]),
});

interface CurveHeadProps {
  readonly name: string;
  readonly axis: CurveAxis;
  readonly asTable: boolean;
  readonly onAxis: (axis: CurveAxis) => void;
  readonly onTable: (asTable: boolean) => void;
  readonly isWhole: boolean;
  /** Draws a long coasting whole, or shortened; null where it is short. */
  readonly onWhole: ((isWhole: boolean) => void) | null;
  readonly canSave: boolean;
  readonly picture: () => SVGSVGElement | null;
  readonly table: () => ChartTable;
}

/** Drawn again only when something in it changes. */
const CurveHead = memo(function CurveHead({
  name,
  axis,
  asTable,
  onAxis,
  onTable,
  isWhole,
  onWhole,
  canSave,
  picture,
  table,
}: CurveHeadProps) {
  return (
    <div className={styles.head}>
      <h2 id="curve-title" className={plain.heading}>
        Pull against {axis}
      </h2>
      <Button size="small" onClick={() => onAxis(axis === 'distance' ? 'time' : 'distance')}>
        {axis === 'distance' ? 'by time' : 'by distance'}
      </Button>
      {onWhole && (
        <Button size="small" aria-pressed={isWhole} onClick={() => onWhole(!isWhole)}>
          all of the coasting
        </Button>
      )}
      <Button size="small" onClick={() => onTable(!asTable)} aria-pressed={asTable} className={styles.asTable}>
        as a table
      </Button>
      {canSave && <ChartExport name={`${name} pull`} picture={picture} table={table} />}
    </div>
  );
});
