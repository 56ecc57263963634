import Button from '@mui/material/Button';
import { useFileDialog, type FileDialogOptions } from './use-file-dialog.tsx';

interface FileButtonProps extends FileDialogOptions {
  readonly children: React.ReactNode;
}

/** A button that asks for a file. */
export function FileButton({ children, ...asked }: FileButtonProps) {
  const { choose, field } = useFileDialog(asked);
  return (
    <>
      <Button variant="outlined" onClick={choose}>
        {children}
      </Button>
      {field}
    </>
  );
}
