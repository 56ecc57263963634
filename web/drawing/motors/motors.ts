import type { MotorView } from '../../../core/geometry/motors/motor-geometry.ts';
import { BAND_DRAWING } from './band.tsx';
import { LEVER_DRAWING } from './lever.tsx';
import type { MotorDrawing } from './motor-drawing.ts';
import { TWIST_DRAWING } from './twist.tsx';

const DRAWINGS: { readonly [Kind in MotorView['kind']]: MotorDrawing<Extract<MotorView, { kind: Kind }>> } = {
  lever: LEVER_DRAWING,
  band: BAND_DRAWING,
  twist: TWIST_DRAWING,
};

/** How what drives a car is drawn. */
export const drawingOf = ({ kind }: MotorView): MotorDrawing<MotorView> => DRAWINGS[kind];
