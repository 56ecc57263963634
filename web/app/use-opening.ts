import { useOutletContext } from 'react-router';

/** What the frame does for the station in it. */
export interface Opening {
  /** Opens a car file, or shows what is in an archive. */
  readonly openFile: (file: File) => void;
}

export const useOpening = (): Opening => useOutletContext<Opening>();
