import { useMemo } from 'react';
import type { Sheet } from '../../core/build/drawing.ts';
import { sheetSvg } from '../../core/files/drawing-svg.ts';
import styles from './sheet-picture.module.css';

interface SheetPictureProps {
  readonly sheet: Sheet;
  readonly isFullSize?: boolean;
  /** Whether it is a picture of the page rather than a sheet of paper: light on dark where the page is dark. */
  readonly isOfPage?: boolean;
}

/** A sheet as it is printed, black on white; as wide as its room, or at full size. */
export function SheetPicture({ sheet, isFullSize = false, isOfPage = false }: SheetPictureProps) {
  const svg = useMemo(() => sheetSvg(sheet), [sheet]);
  const inRoom = isOfPage ? `${styles.picture} ${styles.ofPage}` : styles.picture;
  return (
    <div
      role="img"
      aria-label={sheet.name}
      className={isFullSize ? (sheet.width > sheet.height ? styles.lying : styles.standing) : inRoom}
      // Written by the program itself, its texts escaped.
      dangerouslySetInnerHTML={{ __html: svg }}
    />
  );
}
