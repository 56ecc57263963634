import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { proxy } from 'comlink';
import { useEffect } from 'react';
import { isRoller } from '../../../../core/car/motors/motors.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { sleeveLines } from '../../../../core/car/sleeves.ts';
import type { WindingProfile } from '../../../../core/explore/winding-profile.ts';
import { formatAbout, formatPredicted, formatQuantity } from '../../../../core/units/quantity.ts';
import { pooled } from '../../../workers/explore.ts';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import { JobBar } from '../../../workers/job-bar.tsx';
import { useJob } from '../../../workers/use-job.ts';
import { WindingDrawing } from './winding-drawing.tsx';
import { NOTICEABLE_SLIP } from '../../../../core/predict/verdict.ts';

interface WindingPanelProps {
  readonly design: CarDesign;
  readonly distance: number;
  readonly edit: Edit;
}

/** The sleeve that serves the aim best, as builders make it: what to do, drawn to scale. */
export function WindingPanel({ design, distance, edit }: WindingPanelProps) {
  const units = useUnits();
  const job = useJob<{ readonly profile: WindingProfile | null }>();
  const { progress, result, run } = job;
  useEffect(() => {
    const timer = setTimeout(
      () =>
        run(async (report) => ({
          profile: await pooled(0).work.bestWinding(
            design,
            proxy((fraction: number) => void report(null, fraction)),
          ),
        })),
      100,
    );
    return () => clearTimeout(timer);
  }, [design, run]);
  const profile = result?.profile ?? null;
  return (
    <Box sx={{ overflow: 'auto', height: '100%' }}>
      <JobBar job={job} label="Trying sleeves" />
      {profile ? (
        <Box sx={{ display: 'flex', gap: 5, flexWrap: 'wrap', alignItems: 'start' }}>
          <Box sx={{ flex: '1 1 230px', maxWidth: 340 }}>
            <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none' }}>
              {sleeveLines(profile.design, units).map((line, i) => (
                <Typography key={i} component="li" sx={{ fontWeight: 700 }}>
                  {line}
                  {profile.design.sleeve.at(-1 - i)!.kind === 'tape' && (
                    <Typography component="span" variant="caption" color="text.secondary" sx={{ display: 'block', mb: 1 }}>
                      ⌀ {formatQuantity(profile.design.sleeve.at(-1 - i)!.diameter, 'size', units)} over the tape
                    </Typography>
                  )}
                </Typography>
              ))}
            </Box>
            <Typography variant="body2" sx={{ my: 2 }}>
              {formatAbout(distance, 'distance', units)} → {formatAbout(profile.distance, 'distance', units)}
              {profile.slipDistance > NOTICEABLE_SLIP
                ? `, still spinning for ${formatPredicted(profile.slipDistance, 'distance', units)}`
                : `, without wheelspin: the grip is ${profile.launchGripRatio.toFixed(2)} × what the launch needs`}
              {profile.turnsLeft > 0.05
                ? `, ${formatPredicted(profile.turnsLeft, 'count', units)} turns left at the stop`
                : ', and it pulls to the end'}
              . The turns wound last pull first.
            </Typography>
            <Button size="small" variant="contained" onClick={() => edit((car) => ({ ...car, sleeve: profile.design.sleeve }))}>
              Apply this winding
            </Button>
            <TapeOff design={design} edit={edit} />
          </Box>
          <WindingDrawing profile={profile} />
        </Box>
      ) : (
        progress === null &&
        result && (
          <>
            <Typography>
              {isRoller(design) ? 'A roller has no spool to tape.' : 'No sleeve does better than the bare axle for this goal.'}
            </Typography>
            <TapeOff design={design} edit={edit} />
          </>
        )
      )}
    </Box>
  );
}

/** Takes all the tape off, where there is some. */
const TapeOff = ({ design, edit }: Pick<WindingPanelProps, 'design' | 'edit'>) =>
  design.sleeve.length > 0 && (
    <Button size="small" onClick={() => edit((car) => ({ ...car, sleeve: [] }))}>
      Remove the sleeve
    </Button>
  );
