import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { memo } from 'react';
import { useAppDispatch, useAppSelector } from '../app/store.ts';
import plain from '../ui/plain.module.css';
import { useShortcut } from '../ui/use-shortcut.ts';
import type { SaveState } from './document-slice.ts';
import styles from './save-state.module.css';
import type { DocumentKind } from './document-kind.ts';

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'saved',
  waiting: 'saving…',
  saving: 'saving…',
  failing: 'saved in this browser, trying again',
  refused: 'not saved: in this browser only',
  conflict: 'changed elsewhere',
};

// `any`: what a kind of document holds does not matter here.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type OfKind = { readonly kind: DocumentKind<any> };

/** Whether the open document is saved. */
export const SaveWords = memo(function SaveWords({ kind }: OfKind) {
  const save = useAppSelector((state) => kind.openOf(state)?.save ?? 'saved');
  const failure = useAppSelector((state) => kind.openOf(state)?.failure ?? '');
  const isWrong = save === 'failing' || save === 'refused' || save === 'conflict';
  return (
    <p
      role="status"
      title={save === 'failing' || save === 'refused' ? failure : undefined}
      className={`${plain.text} ${isWrong ? styles.wrong : plain.muted} ${styles.save}`}
    >
      {SAVE_WORDS[save]}
    </p>
  );
});

/** Undo and redo of the open document, by button and by key. */
export const UndoButtons = memo(function UndoButtons({ kind }: OfKind) {
  const dispatch = useAppDispatch();
  const { undone, redone } = kind.slice.actions;
  const canUndo = useAppSelector((state) => (kind.openOf(state)?.past.length ?? 0) > 0);
  const canRedo = useAppSelector((state) => (kind.openOf(state)?.future.length ?? 0) > 0);
  const withControl = (event: KeyboardEvent, key: string): boolean => (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === key;
  useShortcut(
    (event) => withControl(event, 'z') && !event.shiftKey,
    () => dispatch(undone()),
  );
  useShortcut(
    (event) => withControl(event, 'y') || (withControl(event, 'z') && event.shiftKey),
    () => dispatch(redone()),
  );
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
