import type { EnergyBudget } from '../../core/run/energy.ts';
import { TOKENS } from './tokens.ts';

type Colour = keyof (typeof TOKENS)['light'];

interface EnergyWord {
  readonly label: string;
  /** What takes the energy, as the subject of a sentence. */
  readonly subject: string;
  readonly colour: Colour;
  readonly hatched?: boolean;
}

/** The parts of the energy budget in builders' words, in the order in which they are shown. */
export const ENERGY_WORDS: Readonly<Record<keyof EnergyBudget, EnergyWord>> = {
  hysteresis: { label: 'kept by spring or rubber', subject: 'The spring or rubber keeps', colour: 'muted' },
  slip: { label: 'wheelspin', subject: 'Wheelspin takes', colour: 'stop', hatched: true },
  driveBearing: { label: 'drive axle bearing', subject: 'The drive axle’s bearing takes', colour: 'good' },
  otherBearing: { label: 'other bearing', subject: 'The other axle’s bearing takes', colour: 'goodSoft' },
  rolling: { label: 'rolling', subject: 'Rolling takes', colour: 'distance' },
  air: { label: 'air', subject: 'Air takes', colour: 'distanceSoft' },
  climb: { label: 'climbing', subject: 'Climbing takes', colour: 'pullArea' },
  arm: { label: 'trailing arm', subject: 'The trailing arm takes', colour: 'pullText' },
  washer: { label: 'washer', subject: 'The washer takes', colour: 'rule' },
  lever: { label: 'swing of the lever', subject: 'The lever’s swing takes', colour: 'ink' },
  unspent: { label: 'stored energy left', subject: 'Stored energy left takes', colour: 'pullArea' },
  spin: { label: 'final kinetic energy', subject: 'Final kinetic energy takes', colour: 'rule' },
};
