import { nanoid } from '@reduxjs/toolkit';
import { memo, useRef, useState } from 'react';
import type { CarDesign } from '../../core/car/car-design.ts';
import { sizesOf } from '../../core/car/sizes.ts';
import type { Size } from '../../core/car/size.ts';
import { formatQuantity } from '../../core/units/quantity.ts';
import { FONTS } from '../ui/tokens.ts';
import { arrowStep } from '../ui/arrow-step.ts';
import { ofGroup } from './of-group.ts';
import type { Scale } from './scale.ts';
import { useRoving } from '../ui/use-roving.ts';
import { useUnits } from '../ui/use-units.ts';
import type { Edit } from '../open-car/design-slice.ts';

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

/** Closer than that nobody sees a handle move. */
const halfPixel = (px: number): number => Math.round(2 * px) / 2;

const snapped = (value: number, step: number): number => Math.round(value / step) * step;

/** Everything on the drawing that can be grabbed, dragged or moved with the arrow keys. */
export function Handles({ design, specs, scale, edit, onDrag }: HandlesProps) {
  const sizes = sizesOf(design.motor.kind);
  const group = useRoving('[role=slider]');
  const handles = specs.map(({ sizeId, place, direction, ...spec }) => {
    const size = sizes.find(({ id }) => id === sizeId);
    return (
      size && (
        <Handle
          key={sizeId}
          {...spec}
          size={size}
          value={size.read(design)}
          x={halfPixel(scale.x(place.x))}
          y={halfPixel(scale.y(place.y))}
          across={direction.x}
          up={direction.y}
          perMetre={scale.length(1)}
          edit={edit}
          onDrag={onDrag}
        />
      )
    );
  });
  return (
    <g ref={group} role="group" aria-label="Handles">
      {handles}
    </g>
  );
}

interface HandleProps extends Pick<HandleSpec, 'label' | 'gain' | 'step'>, Pick<HandlesProps, 'edit' | 'onDrag'> {
  readonly size: Size;
  readonly value: number;
  /** px on the drawing; the direction it moves in, to the right and up; and the drawing's scale. */
  readonly x: number;
  readonly y: number;
  readonly across: number;
  readonly up: number;
  readonly perMetre: number;
}

/** Drawn again only when it stands elsewhere or says otherwise. */
const Handle = memo(function Handle({ label, size, value, x, y, across, up, perMetre, gain, step, edit, onDrag }: HandleProps) {
  const units = useUnits();
  const [isShown, setShown] = useState(false);
  const grab = useRef<{ x: number; y: number; value: number; gesture: string } | null>(null);
  // As far as the size's slider goes; a size typed beyond it may stay there.
  const [low, high] = [Math.min(size.low, value), Math.max(size.high, value)];
  const change = (next: number, gesture: string): void => {
    const bounded = Math.min(Math.max(next, low), high);
    if (bounded !== value) edit((car) => size.write(car, bounded), gesture);
  };
  const words = formatQuantity(value, size.quantity, units);
  return (
    <g
      role="slider"
      tabIndex={0}
      {...ofGroup(size.group)}
      aria-label={`${label}, on the drawing`}
      aria-valuenow={Number(value.toPrecision(5))}
      aria-valuetext={words}
      aria-valuemin={Number(low.toPrecision(5))}
      aria-valuemax={Number(high.toPrecision(5))}
      transform={`translate(${x} ${y})`}
      style={GRABBED}
      onFocus={() => setShown(true)}
      onBlur={() => setShown(false)}
      onPointerEnter={() => setShown(true)}
      onPointerLeave={() => setShown(false)}
      onKeyDown={(event) => {
        const steps = arrowStep(event);
        const end = event.key === 'Home' ? low : event.key === 'End' ? high : null;
        if (steps === null && end === null) return;
        event.preventDefault();
        if (steps === null) change(end!, nanoid());
        else change(snapped(value, step * Math.abs(steps)) + step * steps, nanoid());
      }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        grab.current = { x: event.clientX, y: event.clientY, value, gesture: nanoid() };
        onDrag(true);
      }}
      onPointerMove={(event) => {
        const from = grab.current;
        if (!from) return;
        const moved = ((event.clientX - from.x) * across - (event.clientY - from.y) * up) / perMetre;
        change(snapped(from.value + gain * moved, event.altKey ? step / 10 : step), from.gesture);
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
      <Knob words={isShown ? `${label} ${words}` : null} />
    </g>
  );
});

const GRABBED = { cursor: 'grab', touchAction: 'none' } as const;

/** What is seen of a handle: a ring, and its live figure while it is pointed at or moved. */
const Knob = memo(function Knob({ words }: { readonly words: string | null }) {
  return (
    <>
      <circle r={14} fill="transparent" />
      <circle
        r={6}
        fill="var(--mui-palette-workbench-panel)"
        stroke="var(--mui-palette-workbench-distance)"
        strokeWidth={words === null ? 2.5 : 4}
      />
      {words !== null && (
        <text
          y={-20}
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
          {words}
        </text>
      )}
    </>
  );
});
