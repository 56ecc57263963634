/**
 * Rubber in simple tension after Mooney (1940) and Rivlin (1948): a loop or chain of loops at the stretch ratio λ pulls
 * F = A · 2 (c1 + c2/λ)(λ − λ⁻²) for λ > 1, and cannot push. SI units.
 */
export interface Rubber {
  /** Pa */
  readonly c1: number;
  readonly c2: number;
  /** Section of all strands side by side, unstretched, m². */
  readonly section: number;
  /** Unstretched length of the chain, flat, m. */
  readonly length: number;
}

export interface BandSizes {
  readonly c1: number;
  readonly c2: number;
  readonly bandWidth: number;
  readonly bandThickness: number;
  readonly bandLength: number;
  readonly parallel: number;
  readonly series: number;
}

/** Whether a motor’s setup is of bands. */
export const isOfBands = <Setup extends object>(setup: Setup): setup is Setup & BandSizes => 'bandLength' in setup;

/** Each loop has two strands; bands side by side add section, end to end add length. */
export const rubberOf = (sizes: BandSizes): Rubber => ({
  c1: sizes.c1,
  c2: sizes.c2,
  section: 2 * sizes.bandWidth * sizes.bandThickness * sizes.parallel,
  length: sizes.series * sizes.bandLength,
});

/** Pull at the stretch ratio `stretch`, N. */
export const bandForce = ({ c1, c2, section }: Rubber, stretch: number): number =>
  stretch <= 1 ? 0 : section * 2 * (c1 + c2 / stretch) * (stretch - 1 / (stretch * stretch));

/** Elastic energy per unstretched volume, J/m³: c1(λ² + 2/λ − 3) + c2(2λ + λ⁻² − 3). */
export const energyDensity = ({ c1, c2 }: Rubber, stretch: number): number =>
  stretch <= 1 ? 0 : c1 * (stretch ** 2 + 2 / stretch - 3) + c2 * (2 * stretch + 1 / stretch ** 2 - 3);

/** Bounds of the keys that say what rubber it is and how much. SI units. */
export const LEAST_RUBBER = { bandEfficiency: 0.05, bandWidth: 1e-4, bandThickness: 1e-4, bandLength: 5e-3, turns: 0.01 } as const;
export const MOST_RUBBER = {
  c1: 1e8,
  c2: 1e8,
  bandEfficiency: 1,
  bandWidth: 0.2,
  bandThickness: 0.05,
  bandLength: 3,
  turns: 10000,
} as const;
