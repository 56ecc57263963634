import { bandPull } from './kinds/band-pull.ts';
import { coast } from './kinds/coast.ts';
import { drag } from './kinds/drag.ts';
import { freeSpin } from './kinds/free-spin.ts';
import { level } from './kinds/level.ts';
import { leverPull } from './kinds/lever-pull.ts';
import { push } from './kinds/push.ts';
import { ramp } from './kinds/ramp.ts';
import { rimPull } from './kinds/rim-pull.ts';
import { rollOut } from './kinds/roll-out.ts';
import { tape } from './kinds/tape.ts';
import { thread } from './kinds/thread.ts';
import { tilt } from './kinds/tilt.ts';
import { weights } from './kinds/weights.ts';
import { wobble } from './kinds/wobble.ts';
import type { MeasurementKind } from './measured.ts';
import type { MeasurementRecord } from './measurement-record.ts';

/** The record of each kind, in the order in which kinds are listed where nothing else orders them. */
export const MEASUREMENTS: { readonly [Kind in MeasurementKind]: MeasurementRecord } = {
  weights,
  ramp,
  'rim-pull': rimPull,
  'lever-pull': leverPull,
  'band-pull': bandPull,
  tilt,
  drag,
  coast,
  'free-spin': freeSpin,
  'roll-out': rollOut,
  wobble,
  thread,
  tape,
  push,
  level,
};

export const MEASUREMENT_KINDS = Object.keys(MEASUREMENTS) as readonly MeasurementKind[];
