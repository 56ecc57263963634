import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { predictRun, type Prediction } from '../../../core/design/predict-run.ts';
import { printQuantity } from '../../../core/units/quantity.ts';
import { ChartExport } from '../../ui/chart-export.tsx';
import { useSize } from '../../ui/use-size.ts';
import { useUnits } from '../../ui/use-units.ts';
import { curveOf, rowAt } from './curve-data.ts';
import { CurvePlot, distanceUnder, type CurveAxis } from './curve-plot.tsx';
import { CurveTable } from './curve-table.tsx';
import type { Ghost } from './versions/versions-drawer.tsx';

interface PullCurveProps {
  readonly name: string;
  readonly prediction: Prediction;
  readonly ghost: Ghost | null;
  readonly played: number | null;
}

/** Pull at the tyre against distance: what pulls, what the floor can hold, what holds the car back. */
export function PullCurve({ name, prediction, ghost, played }: PullCurveProps) {
  const units = useUnits();
  const { ref, width, height } = useSize<HTMLDivElement>();
  const [pointed, setReading] = useState<number | null>(null);
  // The car along its run is read where it is, unless another place is pointed at.
  const reading = pointed ?? played;
  const [asTable, setAsTable] = useState(false);
  const [axis, setAxis] = useState<CurveAxis>('distance');
  const curve = useMemo(() => (prediction.kind === 'ran' ? curveOf(prediction.result) : null), [prediction]);
  const behind = useMemo(() => {
    const run = ghost && predictRun(ghost.design, { kind: 'full' }, { trace: true });
    return ghost && run?.kind === 'ran' ? { name: ghost.name, curve: curveOf(run.result) } : null;
  }, [ghost]);
  const row = curve && reading !== null ? rowAt(curve, reading) : null;
  const print = (value: number, quantity: 'distance' | 'force' | 'speed' | 'time'): string => printQuantity(value, quantity, units);

  const readByKey = (event: React.KeyboardEvent): void => {
    if (!curve) return;
    const step = curve.end / (event.shiftKey ? 10 : 60);
    const at = reading ?? 0;
    const next = { ArrowRight: at + step, ArrowLeft: at - step, Home: 0, End: curve.end, Escape: null }[event.key];
    if (next === undefined) return;
    event.preventDefault();
    setReading(next === null ? null : Math.min(Math.max(next, 0), curve.end));
  };

  return (
    <Box
      component="section"
      aria-labelledby="curve-title"
      sx={{ p: 4, pt: 3, display: 'grid', gridTemplateRows: 'auto auto minmax(0, 1fr)', minHeight: 280 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 3 }}>
        <Typography id="curve-title" variant="h3" component="h2">
          Pull against {axis}
        </Typography>
        <Button size="small" onClick={() => setAxis(axis === 'distance' ? 'time' : 'distance')}>
          {axis === 'distance' ? 'by time' : 'by distance'}
        </Button>
        <Button size="small" onClick={() => setAsTable(!asTable)} aria-pressed={asTable} sx={{ ml: 'auto' }}>
          as a table
        </Button>
        {curve && (
          <ChartExport
            name={`${name} pull`}
            picture={() => ref.current?.querySelector('svg') ?? null}
            table={{
              head: ['distance m', 'time s', 'speed m/s', 'pull N', 'grip limit N', 'resistance N', 'phase'],
              rows: curve.rows.map((r) => [r.distance, r.time, r.speed, r.thrust, r.gripLimit, r.resistance, r.phase]),
            }}
          />
        )}
      </Box>
      <Typography variant="caption" color="text.secondary" aria-live="polite" sx={{ minHeight: 18 }}>
        {row
          ? `at ${print(row.distance, 'distance')}, ${print(row.time, 'time')}: pull ${print(row.thrust, 'force')}, resistance ${print(row.resistance, 'force')}, ${print(row.speed, 'speed')}, ${row.phase}`
          : curve
            ? 'Point at the curve, or step along it with the arrow keys, to read it.'
            : 'This car does not run as it stands; the sizes marked ✕ say why.'}
      </Typography>
      {curve && !asTable && (
        <Box
          ref={ref}
          role="img"
          tabIndex={0}
          aria-label={curve.words(print)}
          onKeyDown={readByKey}
          onBlur={() => setReading(null)}
          onPointerMove={(event) => {
            const px = event.clientX - event.currentTarget.getBoundingClientRect().left;
            setReading(distanceUnder(px, { curve, behind, axis, width }));
          }}
          onPointerLeave={() => setReading(null)}
          sx={{ minHeight: 0, height: '100%', position: 'relative' }}
        >
          {width > 0 && height > 0 && (
            <CurvePlot curve={curve} behind={behind} reading={reading} axis={axis} units={units} width={width} height={height} />
          )}
        </Box>
      )}
      {curve && asTable && <CurveTable curve={curve} />}
    </Box>
  );
}
