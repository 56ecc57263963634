import { CustomChart, LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import { init, use as register, type EChartsCoreOption } from 'echarts/core';
import { CanvasRenderer, SVGRenderer } from 'echarts/renderers';

register([LineChart, ScatterChart, CustomChart, GridComponent, MarkLineComponent, CanvasRenderer, SVGRenderer]);

/** A chart drawn off the page, as a data address: SVG, or PNG at twice the size. */
export function drawChart(option: EChartsCoreOption, renderer: 'svg' | 'canvas', width: number, height: number): string {
  const place = document.createElement('div');
  const chart = init(place, null, { renderer, width, height });
  chart.setOption(option);
  const address = chart.getDataURL(renderer === 'svg' ? { type: 'svg' } : { type: 'png', pixelRatio: 2, backgroundColor: '#FFFFFF' });
  chart.dispose();
  return address;
}
