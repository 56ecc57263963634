import { init, use as register, type EChartsCoreOption } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { CHART_PARTS } from './chart-parts.ts';

register([...CHART_PARTS, SVGRenderer]);

/** A chart drawn off the page, as a data address: SVG, or PNG at twice the size. */
export function drawChart(option: EChartsCoreOption, renderer: 'svg' | 'canvas', width: number, height: number): string {
  const place = document.createElement('div');
  const chart = init(place, null, { renderer, width, height });
  chart.setOption(option);
  const address = chart.getDataURL(renderer === 'svg' ? { type: 'svg' } : { type: 'png', pixelRatio: 2, backgroundColor: '#FFFFFF' });
  chart.dispose();
  return address;
}
