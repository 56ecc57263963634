import { useRef } from 'react';
import { newId } from '../app/new-id.ts';
import { arrowStep } from '../ui/arrow-step.ts';
import styles from './brief-fields.module.css';
import { stripColour } from './strip-scale.ts';

/** m */
const STEP = 0.1;

interface StripHandleProps {
  readonly label: string;
  /** m from the line. */
  readonly value: number;
  readonly most: number;
  readonly x: number;
  readonly y: number;
  readonly perMetre: number;
  readonly format: (metres: number) => string;
  /** Gets each position; those of one drag, or of one key that is held, belong to one gesture. */
  readonly onMove: (value: number, gesture: string) => void;
}

/** Something on a floor that is moved along it. */
export function StripHandle({ label, value, most, x, y, perMetre, format, onMove }: StripHandleProps) {
  // The strip keeps its scale while something on it is dragged, though the wall moves with the hand.
  const grabbed = useRef<{ readonly at: number; readonly from: number; readonly perMetre: number } | null>(null);
  const gesture = useRef('');
  const move = (to: number): void => {
    const snapped = Math.round(Math.min(Math.max(to, STEP), most) / STEP) * STEP;
    const rounded = Number(snapped.toFixed(3));
    if (rounded !== value) onMove(rounded, gesture.current);
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={most}
      aria-valuenow={value}
      aria-valuetext={format(value)}
      className={styles.handle}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        event.currentTarget.focus();
        gesture.current = newId();
        grabbed.current = { at: event.clientX, from: value, perMetre };
      }}
      onPointerMove={({ clientX }) => {
        const grab = grabbed.current;
        if (grab) move(grab.from + (clientX - grab.at) / grab.perMetre);
      }}
      onPointerUp={() => (grabbed.current = null)}
      onPointerCancel={() => (grabbed.current = null)}
      onKeyDown={(event) => {
        const steps = arrowStep(event);
        if (steps === null) return;
        event.preventDefault();
        if (!event.repeat) gesture.current = newId();
        move(value + steps * STEP);
      }}
    >
      <circle cx={x} cy={y} r={13} fill="transparent" />
      <circle cx={x} cy={y} r={6} fill={stripColour('panel')} stroke={stripColour('distance')} strokeWidth={3} />
    </g>
  );
}
