import { nanoid } from '@reduxjs/toolkit';
import { useRef, useState } from 'react';
import type { CarDesign } from '../../../../core/design/car-design.ts';
import { sizesOf, type Size } from '../../../../core/design/sizes.ts';
import { printQuantity } from '../../../../core/units/quantity.ts';
import { FONTS } from '../../../app/tokens.ts';
import type { Scale } from '../../../ui/car-sketch.tsx';
import { arrowStep } from '../../../ui/arrow-step.ts';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../design-slice.ts';

/** Something on the drawing that can be grabbed. Moving it by a metre along its direction changes its size by `gain` metres. */
export interface HandleSpec {
  readonly sizeId: string;
  readonly label: string;
  /** m, on the drawing. */
  readonly place: { readonly x: number; readonly y: number };
  readonly direction: { readonly x: number; readonly y: number };
  readonly gain: number;
  /** Snapping, in SI; Shift steps ten times as far, Alt a tenth. */
  readonly step: number;
}

interface HandlesProps {
  readonly design: CarDesign;
  readonly specs: readonly HandleSpec[];
  readonly scale: Scale;
  readonly edit: Edit;
  /** While something is dragged the drawing keeps its scale. */
  readonly onDrag: (isDragging: boolean) => void;
}

const snapped = (value: number, step: number): number => Math.round(value / step) * step;

/** Everything on the drawing that can be grabbed, dragged or moved with the arrow keys. */
export const Handles = ({ specs, ...rest }: HandlesProps) => (
  <>
    {specs.map((spec) => (
      <Handle key={spec.sizeId} spec={spec} {...rest} />
    ))}
  </>
);

function Handle({ spec, design, scale, edit, onDrag }: Omit<HandlesProps, 'specs'> & { readonly spec: HandleSpec }) {
  const units = useUnits();
  const [isShown, setShown] = useState(false);
  const grab = useRef<{ x: number; y: number; value: number; gesture: string } | null>(null);
  const size: Size | undefined = sizesOf(design.motor.kind).find(({ id }) => id === spec.sizeId);
  if (!size) return null;
  const value = size.read(design);
  const change = (next: number, gesture: string): void => {
    // Lengths stay above nothing; angles may go either way.
    const kept = size.low < 0 ? next : Math.max(next, spec.step);
    if (kept !== value) edit((car) => size.write(car, kept), gesture);
  };
  const x = scale.x(spec.place.x);
  const y = scale.y(spec.place.y);
  const words = printQuantity(value, size.quantity, units);
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`${spec.label}, on the drawing`}
      aria-valuenow={Number(value.toPrecision(5))}
      aria-valuetext={words}
      aria-valuemin={Number(Math.min(2 * size.low, 0).toPrecision(5))}
      aria-valuemax={Number((2 * size.high).toPrecision(5))}
      style={{ cursor: 'grab', touchAction: 'none' }}
      onFocus={() => setShown(true)}
      onBlur={() => setShown(false)}
      onPointerEnter={() => setShown(true)}
      onPointerLeave={() => setShown(false)}
      onKeyDown={(event) => {
        const steps = arrowStep(event);
        if (steps === null) return;
        event.preventDefault();
        const step = spec.step * Math.abs(steps);
        change(snapped(value, step) + spec.step * steps, nanoid());
      }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        grab.current = { x: event.clientX, y: event.clientY, value, gesture: nanoid() };
        onDrag(true);
      }}
      onPointerMove={(event) => {
        const from = grab.current;
        if (!from) return;
        const perMetre = scale.length(1);
        const way = ((event.clientX - from.x) * spec.direction.x - (event.clientY - from.y) * spec.direction.y) / perMetre;
        change(snapped(from.value + spec.gain * way, event.altKey ? spec.step / 10 : spec.step), from.gesture);
      }}
      onPointerUp={() => {
        grab.current = null;
        onDrag(false);
      }}
      onPointerCancel={() => {
        grab.current = null;
        onDrag(false);
      }}
    >
      <circle cx={x} cy={y} r={14} fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={6}
        fill="var(--mui-palette-workbench-panel)"
        stroke="var(--mui-palette-workbench-distance)"
        strokeWidth={isShown ? 4 : 2.5}
      />
      {isShown && (
        <text
          x={x}
          y={y - 20}
          textAnchor="middle"
          fontFamily={FONTS.figures}
          fontSize={13}
          fontWeight={700}
          fill="var(--mui-palette-workbench-distance)"
          stroke="var(--mui-palette-workbench-ground)"
          strokeWidth={6}
          paintOrder="stroke"
          style={{ pointerEvents: 'none' }}
        >
          {spec.label} {words}
        </text>
      )}
    </g>
  );
}
