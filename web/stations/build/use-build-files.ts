import boldFont from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import regularFont from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import { useState } from 'react';
import manifoldUrl from 'manifold-3d/manifold.wasm?url';
import type { PrintedPart } from '../../../core/build/printed/printed-part.ts';
import type { CutOutline } from '../../../core/build/cut-outlines.ts';
import type { Item, Sheet } from '../../../core/build/drawing.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { download, fileName } from '../../ui/file-exchange.ts';

/** The library that makes printed parts whole. */
async function loadManifold() {
  const { default: Module } = await import('manifold-3d');
  const manifold = await Module({ locateFile: () => manifoldUrl });
  manifold.setup();
  return manifold;
}

const bytesOf = async (url: string): Promise<Uint8Array> => new Uint8Array(await (await fetch(url)).arrayBuffer());

/** Sheets as PDF, SVG and DXF, printed parts as STL and 3MF; their writers are fetched when they are asked for. */
export function useBuildFiles(title: string) {
  const dispatch = useAppDispatch();
  const [isWorking, setWorking] = useState(false);
  const name = fileName(title);
  const writing = async (write: () => Promise<void>): Promise<void> => {
    setWorking(true);
    try {
      await write();
    } catch (reason) {
      dispatch(toasted(`The file could not be created: ${String(reason)}`, { tone: 'stop' }));
    } finally {
      setWorking(false);
    }
  };
  return {
    isWorking,
    savePdf: (sheets: readonly Sheet[]) =>
      writing(async () => {
        const [{ sheetsPdf }, { default: PDFDocument }, regular, bold] = await Promise.all([
          import('../../../core/files/drawing-pdf.ts'),
          import('pdfkit'),
          bytesOf(regularFont),
          bytesOf(boldFont),
        ]);
        const pdf = await sheetsPdf(PDFDocument, sheets, title, { regular, bold });
        download(`${name}.pdf`, new Blob([pdf as BlobPart]), 'application/pdf');
      }),
    saveStl: (part: PrintedPart) =>
      writing(async () => {
        const [manifold, { meshOf }, { meshStl }] = await Promise.all([
          loadManifold(),
          import('../../../core/files/printed-mesh.ts'),
          import('../../../core/files/printed-stl.ts'),
        ]);
        download(`${name}-${part.id}.stl`, new Blob([meshStl(meshOf(manifold, part)) as BlobPart]), 'model/stl');
      }),
    save3mf: (parts: readonly PrintedPart[]) =>
      writing(async () => {
        const [manifold, { meshes3mf, placedMeshes }] = await Promise.all([loadManifold(), import('../../../core/files/printed-3mf.ts')]);
        download(`${name}.3mf`, new Blob([meshes3mf(title, placedMeshes(manifold, parts)) as BlobPart]), 'model/3mf');
      }),
    saveSvg: (sheet: Sheet, number: number) =>
      writing(async () => {
        const { sheetSvg } = await import('../../../core/files/drawing-svg.ts');
        download(`${name}-${number}.svg`, sheetSvg(sheet), 'image/svg+xml');
      }),
    saveCutDxf: (parts: readonly CutOutline[]) =>
      writing(async () => {
        const { cutDxf } = await import('../../../core/files/drawing-dxf.ts');
        download(`${name}.dxf`, cutDxf(parts), 'image/vnd.dxf');
      }),
    saveDxf: (items: readonly Item[], height: number, number?: number) =>
      writing(async () => {
        const { itemsDxf } = await import('../../../core/files/drawing-dxf.ts');
        download(`${name}${number ? `-${number}` : ''}.dxf`, itemsDxf(items, height), 'image/vnd.dxf');
      }),
  };
}
