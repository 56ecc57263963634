import Autocomplete from '@mui/material/Autocomplete';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import plain from '../../ui/plain.module.css';
import { useListCarsQuery } from '../api/cars-api.ts';
import styles from './find-dialog.module.css';
import { entriesFound, findEntries, type FindEntry } from './find-entries.ts';

const MAX_SHOWN = 60;

/** Finds a size, a part, an action or a word in any station, and goes there. */
export default function FindDialog({ carId, onClose }: { readonly carId: string | null; readonly onClose: () => void }) {
  const navigate = useNavigate();
  const { data } = useListCarsQuery();
  const design = data?.readable.find(({ id }) => id === carId)?.design ?? null;
  const entries = useMemo(() => findEntries(carId, design), [carId, design]);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" slotProps={{ paper: { className: styles.paper } }}>
      <DialogTitle>Find</DialogTitle>
      <DialogContent className={styles.content}>
        <Autocomplete<FindEntry>
          open
          autoHighlight
          disablePortal
          forcePopupIcon={false}
          options={entries}
          filterOptions={(_all, { inputValue }) => entriesFound(entries, inputValue).slice(0, MAX_SHOWN)}
          getOptionLabel={({ label }) => label}
          getOptionKey={({ label, station, to }) => `${station} ${label} ${to}`}
          noOptionsText="Nothing has this name. Try another word, such as wall, width or turns."
          onChange={(_event, chosen) => {
            if (!chosen) return;
            onClose();
            void navigate(chosen.to);
          }}
          renderOption={({ key, ...props }, { label, station }) => (
            <li key={key} {...props}>
              <span>{label}</span>
              <span className={`${plain.caption} ${plain.muted} ${styles.station}`}>{station}</span>
            </li>
          )}
          renderInput={(params) => <TextField {...params} autoFocus label="Size, part, action or word" />}
          slotProps={{ popper: { className: styles.list! } }}
        />
      </DialogContent>
    </Dialog>
  );
}
