import { useMemo } from 'react';
import type { Sheet } from '../../core/build/drawing.ts';
import { sheetSvg } from '../../core/files/drawing-svg.ts';
import styles from './sheet-picture.module.css';

/** A sheet as it is printed, black on white; as wide as its room, or at full size. */
export function SheetPicture({ sheet, isFullSize = false }: { readonly sheet: Sheet; readonly isFullSize?: boolean }) {
  const svg = useMemo(() => sheetSvg(sheet), [sheet]);
  return (
    <div
      role="img"
      aria-label={sheet.name}
      className={isFullSize ? (sheet.width > sheet.height ? styles.lying : styles.standing) : styles.picture}
      // Written by the program itself, its texts escaped.
      dangerouslySetInnerHTML={{ __html: svg }}
    />
  );
}
