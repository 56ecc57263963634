import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { formatFault } from '../../core/fault-words.ts';
import type { Unreadable } from '../../core/schema/stored.ts';
import { download } from './file-exchange.ts';

interface UnreadableItemProps {
  /** What it should be. */
  readonly what: 'version' | 'part' | 'meet' | 'class';
  readonly item: Unreadable;
  readonly onRemove: () => void;
}

/** Something in a list that is stored but cannot be read any more: why, its text to save, and removing it. */
export const UnreadableItem = ({ what, item: { id, unreadable }, onRemove }: UnreadableItemProps) => (
  <Box component="li" sx={{ py: 2, borderTop: 1, borderColor: 'divider' }}>
    <Typography>
      ✕ A {what} that cannot be read: {unreadable.faults.slice(0, 2).map(formatFault).join('; ')}
    </Typography>
    <Box sx={{ display: 'flex', gap: 2, mt: 1 }}>
      <Button
        size="small"
        variant="outlined"
        onClick={() => download(`unreadable-${id}.${what}.json`, unreadable.text, 'application/json')}
      >
        Save its file
      </Button>
      <Button size="small" onClick={onRemove}>
        Remove
      </Button>
    </Box>
  </Box>
);
