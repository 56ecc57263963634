import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import InputBase from '@mui/material/InputBase';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';
import { Link } from 'react-router';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { UnitSwitch } from '../../ui/unit-switch.tsx';
import { redone, undone, type Edit, type SaveState } from './design-slice.ts';

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
  /** Of the version the car is as it stands; null when it was changed since. */
  readonly versionName: string | null;
  readonly onVersions: () => void;
}

export const DesignHeader = memo(function DesignHeader({ carId, name, edit, versionName, onVersions }: DesignHeaderProps) {
  const dispatch = useAppDispatch();
  const canUndo = useAppSelector((state) => (state.design?.past.length ?? 0) > 0);
  const canRedo = useAppSelector((state) => (state.design?.future.length ?? 0) > 0);
  const save = useAppSelector((state) => state.design?.save ?? 'saved');
  const failure = useAppSelector((state) => state.design?.failure ?? '');
  return (
    <Box
      component="header"
      sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 3, px: 4, py: 2, borderBottom: 1, borderColor: 'divider' }}
    >
      <NameField key={name} name={name} onChange={(next) => edit((present) => ({ ...present, name: next }))} />
      <Button size="small" variant="outlined" aria-haspopup="dialog" onClick={onVersions}>
        {versionName ?? 'changed since kept'}
      </Button>
      <Tooltip title={save === 'failing' ? failure : ''}>
        <Typography
          variant="body2"
          role="status"
          color={save === 'failing' || save === 'conflict' ? 'error' : 'text.secondary'}
          sx={{ mr: 'auto' }}
        >
          {SAVE_WORDS[save]}
        </Typography>
      </Tooltip>
      <Box>
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
      </Box>
      <UnitSwitch />
      <Button variant="contained" component={Link} to={`/cars/${carId}/track`}>
        To the track
      </Button>
    </Box>
  );
});

/** The car's name; an empty one is not taken. */
function NameField({ name, onChange }: { readonly name: string; readonly onChange: (name: string) => void }) {
  const [typed, setTyped] = useState(name);
  const take = (): void => {
    const trimmed = typed.trim();
    if (trimmed === '') setTyped(name);
    else if (trimmed !== name) onChange(trimmed);
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
}
