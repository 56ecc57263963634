import { useRef } from 'react';

export interface FileDialogOptions {
  /** What is chosen, for those who hear it. */
  readonly label: string;
  /** Kinds of file, as the browser takes them. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
}

/** The browser's own way to choose a file: what opens it, and the field that has to stand on the page. */
export function useFileDialog({ label, accept, onFile }: FileDialogOptions): {
  readonly choose: () => void;
  readonly field: React.ReactNode;
} {
  const input = useRef<HTMLInputElement>(null);
  return {
    choose: () => input.current?.click(),
    field: (
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
    ),
  };
}
