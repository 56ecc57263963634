import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { WordTable } from '../ui/word-table.tsx';

const SHORTCUTS = [
  ['Ctrl + Z', 'undo the last change of a design'],
  ['Ctrl + Shift + Z or Ctrl + Y', 'do it again'],
  ['F6', 'the next part of the station; Shift + F6 the one before'],
  ['↑ ↓ in a list of fields or figures', 'the next one; with Ctrl where the arrows move a slider, as on the drawing'],
  ['← → on a slider', 'move it; Shift ten times as far, Alt a tenth, Page Up and Page Down too'],
  ['← → on the pull curve', 'move the car along it and read it; Home and End go to its ends, Escape back to the line'],
  [
    '← → ↑ ↓ on a handle of the drawing',
    'change its size; Shift or Page Up and Page Down ten times as far, Alt a tenth, Home and End to its ends',
  ],
  ['Enter on a figure of the drawing', 'type another size'],
  ['← → ↑ ↓ on the map', 'move about; Enter takes the place'],
  ['Enter', 'take what was typed; Escape leaves it as it was'],
  ['?', 'this list'],
] as const;

/** The keys that do something. */
export default function ShortcutList({ onClose }: { readonly onClose: () => void }) {
  return (
    <Dialog open onClose={onClose}>
      <DialogTitle>Keys</DialogTitle>
      <DialogContent>
        <WordTable rows={SHORTCUTS} />
      </DialogContent>
    </Dialog>
  );
}
