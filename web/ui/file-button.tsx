import Button from '@mui/material/Button';
import { useRef } from 'react';

interface FileButtonProps {
  readonly children: React.ReactNode;
  /** What is chosen, for those who hear it. */
  readonly label: string;
  /** Kinds of file, as the browser takes them. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
}

/** A button that asks for a file. */
export function FileButton({ children, label, accept, onFile }: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button variant="outlined" onClick={() => input.current?.click()}>
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={({ target }) => {
          const file = target.files?.[0];
          if (file) onFile(file);
          target.value = '';
        }}
      />
    </>
  );
}
