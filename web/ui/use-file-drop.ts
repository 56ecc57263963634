import { useEffect, useRef } from 'react';

/** Takes a file that is dropped anywhere on the window. */
export function useFileDrop(take: (file: File) => void): void {
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });
  useEffect(() => {
    const over = (event: DragEvent): void => {
      if (event.dataTransfer?.types.includes('Files')) event.preventDefault();
    };
    const drop = (event: DragEvent): void => {
      const file = event.dataTransfer?.files[0];
      if (!file) return;
      event.preventDefault();
      latest.current(file);
    };
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  }, []);
}
