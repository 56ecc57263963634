import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Removed } from '../../../core/schema/stored.ts';
import { formatQuantity } from '../../../core/units/quantity.ts';
import { useListRemovedQuery } from '../../app/api/archive-api.ts';
import { problemLine } from '../../app/api/problem.ts';
import { bringBack } from '../../app/restore.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { SideDrawer } from '../../ui/side-drawer.tsx';
import { useUnits } from '../../ui/use-units.ts';
import { removedName } from '../../app/removed-name.ts';

/** Things listed at first, and with each "more". */
const STEP = 50;
const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** What was removed, newest first, to be brought back. */
export default function RemovedDrawer({ onClose }: { readonly onClose: () => void }) {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const [limit, setLimit] = useState(STEP);
  const { data: removed, error } = useListRemovedQuery({ limit });
  const nameOf = ({ what, name, distance }: Removed): string =>
    what === 'run' && distance !== null ? `Run of ${formatQuantity(distance, 'distance', units)} with “${name}”` : removedName(what, name);
  const restore = async (thing: Removed): Promise<void> => {
    const answer = await bringBack(dispatch, thing);
    dispatch(answer.error ? toasted(problemLine(answer.error), { tone: 'stop' }) : toasted(`${nameOf(thing)} is restored`));
  };
  return (
    <SideDrawer title="Removed" onClose={onClose}>
      <Typography variant="body2" color="text.secondary">
        You can restore everything that was removed. A car is restored with its versions and runs.
      </Typography>
      {error && <Typography role="alert">✕ {problemLine(error)}</Typography>}
      {removed?.length === 0 && <Typography>Nothing was removed.</Typography>}
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {removed?.slice(0, limit).map((thing) => (
          <Box
            component="li"
            key={thing.id}
            sx={{
              py: 2,
              borderTop: 1,
              borderColor: 'divider',
              display: 'grid',
              gridTemplateColumns: '1fr auto',
              alignItems: 'center',
              gap: 2,
            }}
          >
            <div>
              <Typography>{nameOf(thing)}</Typography>
              <Typography variant="body2" color="text.secondary">
                removed {when.format(new Date(thing.removedAt))}
              </Typography>
            </div>
            <Button size="small" variant="outlined" aria-label={`Restore ${nameOf(thing)}`} onClick={() => void restore(thing)}>
              Restore
            </Button>
          </Box>
        ))}
      </Box>
      {removed && removed.length >= limit && limit < 500 && <Button onClick={() => setLimit(Math.min(limit + STEP, 500))}>More</Button>}
    </SideDrawer>
  );
}
