import type { ReactNode } from 'react';
import type { MotorView } from '../../../core/geometry/motors/motor-geometry.ts';
import type { Circle, Point } from '../../../core/geometry/point.ts';
import type { Pose } from '../../../core/geometry/pose.ts';
import type { HandleSpec } from '../drawing-handles.tsx';
import type { Scale } from '../scale.ts';

interface SketchOf<View> {
  readonly view: View;
  /** Where the drive axle is, m. */
  readonly axle: Point;
  readonly scale: Scale;
  /** Stroke of outlines, in drawing units. */
  readonly line: number;
  /** Where it is along its run; null standing at the line. */
  readonly pose: Pose | null;
}

interface DimensionsOf<View> {
  readonly view: View;
  /** Its main size in words. */
  readonly words: string;
  readonly driveWheel: Circle;
  /** Top of the car and the floor, in drawing units. */
  readonly top: number;
  readonly floor: number;
  readonly scale: Scale;
  /** Prints a size, m. */
  readonly size: (metres: number) => string;
}

/** How a kind of motor is drawn on the side view: one record a kind, and its line in `motors.ts`. */
export interface MotorDrawing<View extends MotorView> {
  sketch(props: SketchOf<View>): ReactNode;
  dimensions(props: DimensionsOf<View>): ReactNode;
  handles(view: View): readonly HandleSpec[];
}
