import { limitsOf, type Brief } from '../../core/brief/brief.ts';
import { judgeRules } from '../../core/brief/rules.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import { prepareRun } from '../../core/predict/derive-run-setup.ts';
import type { CarAtAGlance } from '../../core/trials/attention.ts';

/** What is known of a car at a glance, by which its next thing is found. `design`: as its brief asks. */
export function knownOfCar(design: CarDesign, brief: Brief | null, runs: number): CarAtAGlance {
  const broken = brief && judgeRules(design, limitsOf(brief.rules)).find(({ verdict }) => verdict === 'broken');
  return {
    canRun: prepareRun(design).kind === 'ready',
    brokenRule: broken?.name ?? null,
    hasBrief: brief !== null || hasOwnAim(design),
    runs,
  };
}

/** Whether a car was given an aim in Design: every new car begins with the furthest. */
export const hasOwnAim = ({ aim }: CarDesign): boolean => aim.kind !== 'furthest';
