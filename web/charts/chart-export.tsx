import Button from '@mui/material/Button';
import type { EChartsCoreOption } from 'echarts/core';
import { download, downloadCsv, fileName } from '../ui/file-exchange.ts';
import { MenuButton } from '../ui/menu-button.tsx';
import { standalone } from './standalone-svg.ts';

/** Figures under headings that say their units. */
export interface ChartTable {
  readonly head: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}

export interface ChartExportProps {
  readonly name: string;
  /** The chart: as the chart library draws it, or as it is on the page. */
  readonly option?: EChartsCoreOption;
  readonly picture?: () => SVGSVGElement | null;
  /** The figures behind the chart, made when they are taken away. */
  readonly table: () => ChartTable;
}

const WIDTH = 1000;
const HEIGHT = 560;

/** The chart as a file: SVG, or PNG at twice the size. */
async function pictureOf({ option, picture }: ChartExportProps, renderer: 'svg' | 'canvas'): Promise<Blob | null> {
  if (option) {
    const { drawChart } = await import('./draw-chart.ts');
    return bytesOf(drawChart(option, renderer, WIDTH, HEIGHT));
  }
  const drawing = picture?.();
  if (!drawing) return null;
  const svg = new Blob([standalone(drawing)], { type: 'image/svg+xml' });
  return renderer === 'svg' ? svg : rasterised(svg, drawing.clientWidth, drawing.clientHeight);
}

/** An SVG as PNG at twice its size, on white. */
async function rasterised(svg: Blob, width: number, height: number): Promise<Blob | null> {
  const url = URL.createObjectURL(svg);
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [2 * width, 2 * height];
    const pen = canvas.getContext('2d')!;
    pen.fillStyle = '#FFFFFF';
    pen.fillRect(0, 0, canvas.width, canvas.height);
    pen.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve) => canvas.toBlob(resolve, 'image/png'));
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** Takes a chart away as a picture, or the figures behind it as a table. */
export function ChartExport(props: ChartExportProps) {
  const { name, table } = props;
  const file = fileName(name);
  const save = async (renderer: 'svg' | 'canvas'): Promise<void> => {
    const picture = await pictureOf(props, renderer);
    if (picture) download(`${file}.${renderer === 'svg' ? 'svg' : 'png'}`, picture, renderer === 'svg' ? 'image/svg+xml' : 'image/png');
  };
  const saveTable = async (): Promise<void> => {
    const { head, rows } = table();
    await downloadCsv(`${file}.csv`, [head, ...rows]);
  };
  return (
    <MenuButton
      actions={[
        ['Picture (SVG)', () => void save('svg')],
        ['Picture (PNG)', () => void save('canvas')],
        ['Figures (CSV)', () => void saveTable()],
      ]}
      button={(open) => (
        <Button size="small" aria-haspopup="menu" onClick={open}>
          save as…
        </Button>
      )}
    />
  );
}

/** The bytes of a data address, read here: the page may not connect to one. */
function bytesOf(address: string): Blob {
  const comma = address.indexOf(',');
  const body = address.slice(comma + 1);
  if (!address.slice(0, comma).includes('base64')) return new Blob([decodeURIComponent(body)]);
  return new Blob([Uint8Array.from(atob(body), (letter) => letter.charCodeAt(0))]);
}
