import Button from '@mui/material/Button';
import InputBase from '@mui/material/InputBase';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import { versionOf } from '../../../core/car/version-tree.ts';
import { useListVersionsQuery } from '../../app/api/versions-api.ts';
import { useAppSelector } from '../../app/store.ts';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import plain from '../../ui/plain.module.css';
import { openDesign } from '../../open-car/design-with-brief.ts';
import { CAR } from '../../open-car/car-document.ts';
import type { Edit } from '../../open-car/design-slice.ts';
import { SaveWords, UndoButtons } from '../../open-document/save-state.tsx';

interface DesignHeaderProps {
  readonly carId: string;
  readonly name: string;
  readonly edit: Edit;
  readonly onVersions: () => void;
}

/** Each part is drawn again only when its own changes: some do at the first step of a drag. */
export const DesignHeader = memo(function DesignHeader({ carId, name, edit, onVersions }: DesignHeaderProps) {
  return (
    <header className={plain.header}>
      <NameField key={name} name={name} edit={edit} />
      <VersionButton carId={carId} onVersions={onVersions} />
      <SaveWords kind={CAR} />
      <UndoButtons kind={CAR} />
      <UnitSwitch />
      <ToTheTrack carId={carId} />
    </header>
  );
});

/** Names the version the car is as it is. */
const VersionButton = memo(function VersionButton({ carId, onVersions }: Pick<DesignHeaderProps, 'carId' | 'onVersions'>) {
  const { data: versions } = useListVersionsQuery(carId);
  const versionName = useAppSelector((state) => {
    const design = openDesign(state);
    return versions && design ? versionOf(versions.readable, design)?.record.name : undefined;
  });
  return (
    <Button size="small" variant="outlined" aria-haspopup="dialog" onClick={onVersions}>
      {versionName ?? 'changed since saved'}
    </Button>
  );
});

const ToTheTrack = memo(function ToTheTrack({ carId }: Pick<DesignHeaderProps, 'carId'>) {
  return (
    <Button variant="contained" component={Link} to={`/cars/${carId}/track`}>
      To the track
    </Button>
  );
});

/** The car's name; an empty one is not taken. */
const NameField = memo(function NameField({ name, edit }: Pick<DesignHeaderProps, 'name' | 'edit'>) {
  const [typed, setTyped] = useState(name);
  const take = (): void => {
    const trimmed = typed.trim();
    if (trimmed === '') setTyped(name);
    else if (trimmed !== name) edit((present) => ({ ...present, name: trimmed }));
  };
  return (
    <Typography variant="h1" component="h1" sx={{ m: 0 }}>
      <InputBase
        value={typed}
        onChange={({ target }) => setTyped(target.value)}
        onBlur={take}
        onKeyDown={({ key, currentTarget }) => {
          if (key === 'Enter') (currentTarget.querySelector('input') ?? (document.activeElement as HTMLElement)).blur();
          if (key === 'Escape') setTyped(name);
        }}
        inputProps={{ 'aria-label': 'Name of the car', maxLength: 80, size: Math.max(8, Math.min(typed.length + 1, 28)) }}
        sx={{ font: 'inherit', '& input': { p: 0, font: 'inherit', height: 'auto' } }}
      />
    </Typography>
  );
});
