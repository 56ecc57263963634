import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { WordTable } from '../ui/word-table.tsx';

const SHORTCUTS = [
  ['Ctrl + Z', 'undo the last change of a design'],
  ['Ctrl + Shift + Z or Ctrl + Y', 'redo'],
  ['F6', 'the next part of the station; Shift + F6 for the previous part'],
  ['↑ ↓ in a list of fields or figures', 'the next item; with Ctrl where the arrows move a slider, as on the drawing'],
  ['← → on a slider', 'move it; Shift for ten times as far, Alt for a tenth, Page Up and Page Down too'],
  ['← → on the pull curve', 'move the car along the curve and read it; Home and End go to its ends, Escape back to the line'],
  [
    '← → ↑ ↓ on a handle of the drawing',
    'change its size; Shift or Page Up and Page Down for ten times as far, Alt for a tenth, Home and End for its ends',
  ],
  ['Enter on a figure of the drawing', 'type another size'],
  ['← → ↑ ↓ on the map', 'move about; Enter applies the position'],
  ['Enter', 'apply what was typed; Escape leaves it as it was'],
  ['Ctrl + K or /', 'find a size, a part, an action or a word in any station'],
  ['?', 'this list'],
] as const;

/** The keys that do something. */
export default function ShortcutList({ onClose }: { readonly onClose: () => void }) {
  return (
    <Dialog open onClose={onClose}>
      <DialogTitle>Keyboard shortcuts</DialogTitle>
      <DialogContent>
        <WordTable rows={SHORTCUTS} />
      </DialogContent>
    </Dialog>
  );
}
