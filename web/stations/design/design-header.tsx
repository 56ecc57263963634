import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import InputBase from '@mui/material/InputBase';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import { versionOf } from '../../../core/car/version-tree.ts';
import { useListVersionsQuery } from '../../app/api.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import plain from '../../ui/plain.module.css';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import styles from './design-header.module.css';
import { redone, undone, type Edit, type SaveState } from '../../open-car/design-slice.ts';

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'saved',
  waiting: 'saving…',
  saving: 'saving…',
  failing: 'kept in this browser, trying again',
  conflict: 'changed elsewhere',
};

interface DesignHeaderProps {
  readonly carId: string;
  readonly name: string;
  readonly edit: Edit;
  readonly onVersions: () => void;
}

/** Each part is drawn anew only when its own changes: some do at the first step of a drag. */
export const DesignHeader = memo(function DesignHeader({ carId, name, edit, onVersions }: DesignHeaderProps) {
  return (
    <header className={styles.header}>
      <NameField key={name} name={name} edit={edit} />
      <VersionButton carId={carId} onVersions={onVersions} />
      <SaveWords />
      <UndoButtons />
      <UnitSwitch />
      <ToTheTrack carId={carId} />
    </header>
  );
});

/** Names the version the car is as it stands. */
const VersionButton = memo(function VersionButton({ carId, onVersions }: Pick<DesignHeaderProps, 'carId' | 'onVersions'>) {
  const { data: versions } = useListVersionsQuery(carId);
  const versionName = useAppSelector(({ design }) =>
    versions && design ? versionOf(versions.readable, design.present)?.record.name : undefined,
  );
  return (
    <Button size="small" variant="outlined" aria-haspopup="dialog" onClick={onVersions}>
      {versionName ?? 'changed since kept'}
    </Button>
  );
});

const SaveWords = memo(function SaveWords() {
  const save = useAppSelector((state) => state.design?.save ?? 'saved');
  const failure = useAppSelector((state) => state.design?.failure ?? '');
  const isWrong = save === 'failing' || save === 'conflict';
  return (
    <p
      role="status"
      title={save === 'failing' ? failure : undefined}
      className={`${plain.text} ${isWrong ? styles.wrong : plain.muted} ${styles.save}`}
    >
      {SAVE_WORDS[save]}
    </p>
  );
});

const UndoButtons = memo(function UndoButtons() {
  const dispatch = useAppDispatch();
  const canUndo = useAppSelector((state) => (state.design?.past.length ?? 0) > 0);
  const canRedo = useAppSelector((state) => (state.design?.future.length ?? 0) > 0);
  return (
    <div>
      <Tooltip title="Undo (Ctrl + Z)">
        <span>
          <IconButton aria-label="Undo" disabled={!canUndo} onClick={() => dispatch(undone())}>
            <UndoIcon />
          </IconButton>
        </span>
      </Tooltip>
      <Tooltip title="Redo (Ctrl + Shift + Z)">
        <span>
          <IconButton aria-label="Redo" disabled={!canRedo} onClick={() => dispatch(redone())}>
            <RedoIcon />
          </IconButton>
        </span>
      </Tooltip>
    </div>
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
