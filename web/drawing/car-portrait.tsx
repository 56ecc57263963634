import { useMemo } from 'react';
import type { CarDesign } from '../../core/car/car-design.ts';
import { sideView } from '../../core/geometry/side-view.ts';
import { CarSketch } from './car-sketch.tsx';
import { sideScale, type Scale } from './scale.ts';

const WIDTH = 320;
const HEIGHT = 150;
const MARGIN = { side: 14, top: 8, floor: 8 };

interface CarPortraitProps {
  readonly design: CarDesign;
  /** Of the car alone. */
  readonly className?: string | undefined;
  /** What is drawn over it. */
  readonly children?: (scale: Scale) => React.ReactNode;
}

/** A car from its side on the floor, as wide as there is room: to be known again at sight. */
export function CarPortrait({ design, className, children }: CarPortraitProps) {
  const view = useMemo(() => sideView(design), [design]);
  const scale = sideScale(view, WIDTH, HEIGHT, MARGIN);
  const floor = HEIGHT - MARGIN.floor;
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} width="100%" aria-hidden>
      <line x1={0} x2={WIDTH} y1={floor} y2={floor} stroke="var(--mui-palette-workbench-ink)" strokeWidth={1.5} />
      <g className={className}>
        <CarSketch view={view} scale={scale} line={1.3} />
      </g>
      {children?.(scale)}
    </svg>
  );
}
