import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect } from 'react';
import type { CarDesign } from '../../../../core/design/car-design.ts';
import { windingWords, type WindingProfile } from '../../../../core/explore/winding-profile.ts';
import { printQuantity } from '../../../../core/units/quantity.ts';
import { hand } from '../../../workers/explore.ts';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../design-slice.ts';
import { JobBar } from './job-bar.tsx';
import { useJob } from './use-job.ts';

interface WindingPanelProps {
  readonly design: CarDesign;
  readonly distance: number;
  readonly edit: Edit;
}

/** The tape sleeve that serves the aim best with the launch still under the grip limit: what to do, drawn to scale. */
export function WindingPanel({ design, distance, edit }: WindingPanelProps) {
  const units = useUnits();
  const { progress, result, run, stop } = useJob<{ readonly profile: WindingProfile | null }>();
  useEffect(() => {
    const timer = setTimeout(() => run(async () => ({ profile: await hand(0).work.bestWinding(design) })), 100);
    return () => clearTimeout(timer);
  }, [design, run]);
  const profile = result?.profile ?? null;
  return (
    <Box sx={{ overflow: 'auto', height: '100%' }}>
      <JobBar progress={progress} label="Trying sleeves" onStop={stop} />
      {profile ? (
        <Box sx={{ display: 'flex', gap: 6, flexWrap: 'wrap', alignItems: 'center' }}>
          <Box sx={{ maxWidth: 340 }}>
            <Typography sx={{ fontWeight: 700 }}>{windingWords(profile)}</Typography>
            <Typography variant="body2" sx={{ my: 2 }}>
              {printQuantity(distance, 'distance', units)} → {printQuantity(profile.distance, 'distance', units)}
              {profile.slipDistance > 0.0005
                ? `, still spinning for ${printQuantity(profile.slipDistance, 'distance', units)}`
                : ', without wheelspin'}
              . These turns are wound last and pull first.
            </Typography>
            <Button size="small" variant="contained" onClick={() => edit((car) => ({ ...car, sleeve: profile.design.sleeve }))}>
              Take this sleeve
            </Button>
          </Box>
          <SleeveDrawing design={profile.design} />
        </Box>
      ) : (
        progress === null &&
        result && (
          <Typography>
            {design.motor.kind === 'twist' ? 'A roller has no spool to tape.' : 'No sleeve of tape beats the bare axle for this aim.'}
          </Typography>
        )
      )}
    </Box>
  );
}

/** Axle and sleeve from the end, six times their size. */
function SleeveDrawing({ design }: { readonly design: CarDesign }) {
  const units = useUnits();
  const perMetre = 15_000;
  const outer = design.sleeve.at(-1)?.diameter ?? design.axleDiameter;
  const half = Math.max(outer * perMetre, 40) / 2 + 8;
  return (
    <svg
      width={2 * half + 130}
      height={2 * half}
      role="img"
      aria-label={`Axle ${printQuantity(design.axleDiameter, 'size', units)}, over the tape ${printQuantity(outer, 'size', units)}`}
    >
      {[...design.sleeve].reverse().map(({ diameter }) => (
        <circle
          key={diameter}
          cx={half}
          cy={half}
          r={(diameter * perMetre) / 2}
          fill="var(--mui-palette-workbench-pullArea)"
          stroke="var(--mui-palette-workbench-pull)"
        />
      ))}
      <circle
        cx={half}
        cy={half}
        r={(design.axleDiameter * perMetre) / 2}
        fill="var(--mui-palette-workbench-ground)"
        stroke="var(--mui-palette-workbench-ink)"
        strokeWidth={1.5}
      />
      <text x={2 * half + 4} y={half - 6} fontSize={13} fill="var(--mui-palette-workbench-ink)">
        axle ⌀ {printQuantity(design.axleDiameter, 'size', units)}
      </text>
      <text x={2 * half + 4} y={half + 14} fontSize={13} fill="var(--mui-palette-workbench-pullText)">
        taped ⌀ {printQuantity(outer, 'size', units)}
      </text>
    </svg>
  );
}
