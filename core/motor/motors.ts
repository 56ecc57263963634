import type { MotorSetup } from '../schema/generated/run-setup.ts';
import { BAND } from './band.ts';
import { LEVER } from './lever.ts';
import type { MotorModel } from './motor.ts';
import { TWIST } from './twist.ts';

const MODELS: { readonly [Kind in MotorSetup['kind']]: MotorModel<Extract<MotorSetup, { kind: Kind }>> } = {
  lever: LEVER,
  band: BAND,
  twist: TWIST,
};

/** The run model's record of a motor of this kind. */
export const modelOf = ({ kind }: Pick<MotorSetup, 'kind'>): MotorModel<MotorSetup> => MODELS[kind];
