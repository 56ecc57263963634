import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import type { EChartsCoreOption } from 'echarts/core';
import Papa from 'papaparse';
import { useState } from 'react';
import { download, fileName } from './file-exchange.ts';

interface ChartExportProps {
  readonly name: string;
  readonly option: EChartsCoreOption;
  readonly table: { readonly head: readonly string[]; readonly rows: readonly (readonly (string | number)[])[] };
}

const WIDTH = 1000;
const HEIGHT = 560;

/** Draws a chart off the page and gives it as a data address. */
async function drawn(option: EChartsCoreOption, renderer: 'svg' | 'canvas'): Promise<string> {
  const { drawChart } = await import('./draw-chart.ts');
  return drawChart(option, renderer, WIDTH, HEIGHT);
}

/** Takes a chart away as a picture, or the figures behind it as a table. */
export function ChartExport({ name, option, table }: ChartExportProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const file = fileName(name);
  const after = (action: () => void | Promise<void>) => () => {
    setAnchor(null);
    void action();
  };
  return (
    <>
      <Button size="small" aria-haspopup="menu" onClick={({ currentTarget }) => setAnchor(currentTarget)}>
        save as…
      </Button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        <MenuItem onClick={after(async () => download(`${file}.svg`, bytesOf(await drawn(option, 'svg')), 'image/svg+xml'))}>
          Picture (SVG)
        </MenuItem>
        <MenuItem onClick={after(async () => download(`${file}.png`, bytesOf(await drawn(option, 'canvas')), 'image/png'))}>
          Picture (PNG)
        </MenuItem>
        <MenuItem
          onClick={after(() =>
            download(`${file}.csv`, Papa.unparse({ fields: [...table.head], data: table.rows.map((row) => [...row]) }), 'text/csv'),
          )}
        >
          Figures (CSV)
        </MenuItem>
      </Menu>
    </>
  );
}

/** The bytes of a data address, read here: the page may not connect to one. */
function bytesOf(address: string): Blob {
  const comma = address.indexOf(',');
  const body = address.slice(comma + 1);
  if (!address.slice(0, comma).includes('base64')) return new Blob([decodeURIComponent(body)]);
  return new Blob([Uint8Array.from(atob(body), (letter) => letter.charCodeAt(0))]);
}
