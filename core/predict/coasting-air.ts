import { AIR_DENSITY } from '../constants.ts';
import type { CarDesign } from '../car/car-design.ts';
import { deriveRunSetup } from './derive-run-setup.ts';

/** The air's part of slowing, 1/m: ½ ρ Cd A over the mass with what turns in it, m + Σ I/R². Source: docs/model, coasting. The design must have no faults. */
export function coastingAir(design: CarDesign): number {
  const { mass, dragArea, driveWheels, otherWheels } = deriveRunSetup(design).car;
  const turning = [driveWheels, ...(otherWheels ? [otherWheels] : [])].reduce((sum, { inertia, radius }) => sum + inertia / radius ** 2, 0);
  return (0.5 * AIR_DENSITY * dragArea) / (mass + turning);
}
