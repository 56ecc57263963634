import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { api, problemLine } from './api.ts';
import { useAppDispatch, useAppSelector } from './store.ts';
import { toastClosed, toasted, type Undoing } from './toasts-slice.ts';

/** Messages that come and go, the newest on top; what removes something can be undone from it. */
export function Toasts() {
  const toast = useAppSelector((state) => state.toasts.at(-1));
  const dispatch = useAppDispatch();
  if (!toast) return null;
  const close = (): void => void dispatch(toastClosed(toast.id));
  const undo = async (undoing: Undoing): Promise<void> => {
    close();
    const restored =
      undoing.kind === 'car'
        ? await dispatch(api.endpoints.restoreCar.initiate(undoing.id))
        : await dispatch(api.endpoints.restoreRun.initiate(undoing));
    if (restored.error) dispatch(toasted(problemLine(restored.error), { tone: 'stop', undoing }));
  };
  return (
    <Snackbar
      key={toast.id}
      open
      autoHideDuration={toast.undoing ? 12000 : 6000}
      onClose={(_event, reason) => reason !== 'clickaway' && close()}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      sx={{ bottom: { xs: 88, md: 24 } }}
    >
      <Alert
        severity={toast.tone === 'stop' ? 'error' : 'success'}
        variant="filled"
        onClose={close}
        action={
          toast.undoing && (
            <Button color="inherit" size="small" onClick={() => void undo(toast.undoing!)}>
              Undo
            </Button>
          )
        }
      >
        {toast.message}
      </Alert>
    </Snackbar>
  );
}
