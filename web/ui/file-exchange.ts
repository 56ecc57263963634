import { guardCell } from '../../core/files/csv-guard.ts';

/** Hands the browser a file to keep. */
export function download(name: string, content: string | Blob, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

export const downloadJson = (name: string, value: unknown): void =>
  download(name, `${JSON.stringify(value, null, 2)}\n`, 'application/json');

/** Rows as a CSV file, lines ending in CR LF (RFC 4180); texts that a spreadsheet would take for formulas are guarded. */
export async function downloadCsv(name: string, rows: readonly (readonly (string | number)[])[]): Promise<void> {
  const { default: Papa } = await import('papaparse');
  download(name, Papa.unparse(rows.map((row) => row.map(guardCell))), 'text/csv');
}

/** `Kelp Runner` → `kelp-runner`. */
export const fileName = (title: string): string =>
  title
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '') || 'car';
