import Box, { type BoxProps } from '@mui/material/Box';
import { LineChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import { init, use as register, type EChartsCoreOption, type EChartsType } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { useEffect, useLayoutEffect, useRef } from 'react';

register([LineChart, GridComponent, MarkLineComponent, CanvasRenderer]);

interface ChartProps extends Omit<BoxProps, 'onChange'> {
  readonly option: EChartsCoreOption;
  /** Value on the first x axis under the pointer; null when it leaves. */
  readonly onPoint?: (x: number | null) => void;
}

/** A drawn chart that fills its box. What it shows must also stand in words or a table beside it. */
export function Chart({ option, onPoint, ...box }: ChartProps) {
  const element = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType | null>(null);
  const point = useRef(onPoint);
  useEffect(() => {
    point.current = onPoint;
  });
  useLayoutEffect(() => {
    const made = init(element.current!);
    chart.current = made;
    const observer = new ResizeObserver(() => made.resize());
    observer.observe(element.current!);
    made.getZr().on('mousemove', ({ offsetX, offsetY }) => {
      const inside = made.containPixel('grid', [offsetX, offsetY]);
      point.current?.(inside ? (made.convertFromPixel({ xAxisIndex: 0 }, offsetX) as unknown as number) : null);
    });
    made.getZr().on('globalout', () => point.current?.(null));
    return () => {
      observer.disconnect();
      made.dispose();
    };
  }, []);
  useLayoutEffect(() => {
    chart.current?.setOption(option, { notMerge: true });
  }, [option]);
  return <Box ref={element} {...box} />;
}
