import Box, { type BoxProps } from '@mui/material/Box';
import { init, use as register, type EChartsCoreOption, type EChartsType } from 'echarts/core';
import { useEffect, useLayoutEffect, useRef } from 'react';
import { CHART_PARTS } from './chart-parts.ts';

register(CHART_PARTS);

interface ChartProps extends Omit<BoxProps, 'onChange'> {
  readonly option: EChartsCoreOption;
  /** Value on the first x axis under the pointer; null when it leaves. */
  readonly onPoint?: (x: number | null) => void;
  /** The place on both axes under the pointer, and where it was pressed. */
  readonly onPlace?: (place: readonly [number, number] | null) => void;
  readonly onTake?: (place: readonly [number, number]) => void;
}

/** A drawn chart that fills its box. What it shows must also be in words or a table beside it. */
export function Chart({ option, onPoint, onPlace, onTake, ...box }: ChartProps) {
  const element = useRef<HTMLDivElement>(null);
  const chart = useRef<EChartsType | null>(null);
  const heard = useRef({ onPoint, onPlace, onTake });
  useEffect(() => {
    heard.current = { onPoint, onPlace, onTake };
  });
  useLayoutEffect(() => {
    const instance = init(element.current!);
    chart.current = instance;
    const observer = new ResizeObserver(() => instance.resize());
    observer.observe(element.current!);
    const placeOf = (x: number, y: number): readonly [number, number] | null =>
      instance.containPixel('grid', [x, y]) ? (instance.convertFromPixel('grid', [x, y]) as [number, number]) : null;
    instance.getZr().on('mousemove', ({ offsetX, offsetY }) => {
      const place = placeOf(offsetX, offsetY);
      heard.current.onPoint?.(place && place[0]);
      heard.current.onPlace?.(place);
    });
    instance.getZr().on('click', ({ offsetX, offsetY }) => {
      const place = placeOf(offsetX, offsetY);
      if (place) heard.current.onTake?.(place);
    });
    instance.getZr().on('globalout', () => {
      heard.current.onPoint?.(null);
      heard.current.onPlace?.(null);
    });
    return () => {
      observer.disconnect();
      instance.dispose();
    };
  }, []);
  useLayoutEffect(() => {
    chart.current?.setOption(option, { notMerge: true });
  }, [option]);
  return <Box ref={element} {...box} />;
}
