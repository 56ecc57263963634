import { makeMotorPoint, type MotorPoint } from '../motor/motor.ts';
import { makeRolling, makeSliding, type Rolling, type Sliding } from './forces.ts';
import { makePanel, type Panel } from './panel.ts';
import { makeSlideWork, type SlideWork } from './slide-state.ts';

/** Room that runs work in, one run at a time: whoever computes many makes one and hands it in. */
export interface Workspace {
  readonly point: MotorPoint;
  readonly rolling: Rolling;
  readonly sliding: Sliding;
  readonly panel: Panel;
  readonly slideWork: SlideWork;
}

/** A workspace with nothing in it. */
export const makeWorkspace = (): Workspace => ({
  point: makeMotorPoint(),
  rolling: makeRolling(),
  sliding: makeSliding(),
  panel: makePanel(),
  slideWork: makeSlideWork(),
});
