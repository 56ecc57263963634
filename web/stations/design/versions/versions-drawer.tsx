import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link } from 'react-router';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { predictRun } from '../../../../core/predict/predict-run.ts';
import { treeOf } from '../../../../core/car/version-tree.ts';
import { formatPredicted } from '../../../../core/units/quantity.ts';
import type { StoredVersion } from '../../../../core/schema/stored.ts';
import { SideDrawer } from '../../../ui/side-drawer.tsx';
import { UnreadableItem } from '../../../ui/unreadable-item.tsx';
import { useUnits } from '../../../ui/use-units.ts';
import { CompareVersions } from './compare-versions.tsx';
import type { Edit } from '../../../open-car/design-slice.ts';
import { EarlierDesigns } from './earlier-designs.tsx';
import type { Ghost } from '../../../charts/pull-curve/ghost.ts';
import { raceAddress } from '../../../app/race-address.ts';
import { GhostButton } from './ghost-button.tsx';
import { useVersions } from '../../../open-car/use-versions.ts';

type Versions = ReturnType<typeof useVersions>;

interface VersionsDrawerProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly edit: Edit;
  readonly onClose: () => void;
  readonly ghosts: readonly Ghost[];
  readonly onGhosts: (ghosts: readonly Ghost[]) => void;
}

/** The versions of a car: keep the present, see how they grew, compare any two, lay any behind the curve, go back. */
export function VersionsDrawer(props: VersionsDrawerProps) {
  const { carId, design, edit, onClose, ghosts, onGhosts } = props;
  const { versions, unreadable, current, grownFrom, keep, goBack, remove } = useVersions(carId, design, edit);
  const { closest, change } = grownFrom();
  return (
    <SideDrawer title="Versions" onClose={onClose}>
      {current ? (
        <Typography>
          This is <b>{current.record.name}</b>, unchanged.
        </Typography>
      ) : (
        <KeepForm versions={versions} keep={keep} key={versions.length} />
      )}
      {!current && closest && change && (
        <Typography variant="body2" color="text.secondary">
          Since “{closest.record.name}”: {change}
        </Typography>
      )}
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {treeOf(versions).map(({ version, depth }) => (
          <VersionRow
            key={version.id}
            version={version}
            depth={depth}
            isCurrent={current?.id === version.id}
            ghosts={ghosts}
            onGhosts={onGhosts}
            goBack={goBack}
            remove={remove}
            carId={carId}
          />
        ))}
        {unreadable.map((broken) => (
          <UnreadableItem key={broken.id} what="version" item={broken} onRemove={() => void remove(broken.id, 'unreadable')} />
        ))}
      </Box>
      {versions.length > 0 && <CompareVersions versions={versions} present={design} />}
      <EarlierDesigns carId={carId} present={design} ghosts={ghosts} onGhosts={onGhosts} goBack={goBack} />
    </SideDrawer>
  );
}

function KeepForm({ versions, keep }: Pick<Versions, 'versions' | 'keep'>) {
  const [name, setName] = useState(`version ${versions.length + 1}`);
  const [note, setNote] = useState('');
  return (
    <Box
      component="form"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '') void keep(name.trim(), note.trim());
      }}
      sx={{ display: 'grid', gap: 2 }}
    >
      <TextField
        size="small"
        label="Name of the version"
        value={name}
        onChange={({ target }) => setName(target.value)}
        error={name.trim() === ''}
        helperText={name.trim() === '' ? 'Give it a name, such as “lighter body”.' : ' '}
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <TextField
        size="small"
        label="Note"
        value={note}
        onChange={({ target }) => setNote(target.value)}
        multiline
        slotProps={{ htmlInput: { maxLength: 2000 } }}
      />
      <Button type="submit" variant="contained" disabled={name.trim() === ''}>
        Save as a version
      </Button>
    </Box>
  );
}

interface VersionRowProps extends Pick<VersionsDrawerProps, 'carId' | 'ghosts' | 'onGhosts'>, Pick<Versions, 'goBack' | 'remove'> {
  readonly version: StoredVersion;
  readonly depth: number;
  /** The car is this version as it is. */
  readonly isCurrent: boolean;
}

function VersionRow({ carId, version, depth, isCurrent, ghosts, onGhosts, goBack, remove }: VersionRowProps) {
  const units = useUnits();
  const { name, note, change, design } = version.record;
  const prediction = predictRun(design);
  return (
    <Box component="li" sx={{ ml: 4 * Math.min(depth, 4), py: 2, borderTop: 1, borderColor: 'divider' }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2 }}>
        <Typography sx={{ fontWeight: 700 }}>
          {depth > 0 && <span aria-hidden>↳ </span>}
          {name}
          {isCurrent && ' (now)'}
        </Typography>
        <Typography variant="figures" sx={{ ml: 'auto' }}>
          {prediction.kind === 'ran' ? formatPredicted(prediction.result.distance, 'distance', units) : 'cannot run'}
        </Typography>
      </Box>
      {change && <Typography variant="body2">{change}</Typography>}
      {note && (
        <Typography variant="body2" color="text.secondary">
          {note}
        </Typography>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, mt: 1 }}>
        {!isCurrent && (
          <Button
            size="small"
            component={Link}
            to={raceAddress([
              { kind: 'car', carId },
              { kind: 'version', carId, id: version.id },
            ])}
            aria-label={`Race the car against ${name}`}
          >
            Race
          </Button>
        )}
        <Button
          size="small"
          variant="outlined"
          disabled={isCurrent}
          aria-label={`Restore: ${name}`}
          onClick={() => void goBack(name, design)}
        >
          Restore
        </Button>
        <GhostButton ghost={{ id: version.id, name, design }} ghosts={ghosts} onGhosts={onGhosts} />
        <Button size="small" aria-label={`Remove the version ${name}`} onClick={() => void remove(version.id, name)}>
          Remove
        </Button>
      </Box>
    </Box>
  );
}
