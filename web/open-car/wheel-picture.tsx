import type { KnownCare } from '../../core/car/flick-test.ts';

/** Degrees that the wheel stands askew, and px between its hub and the bearing. */
const SHAPES: Readonly<Record<KnownCare, { readonly askew: number; readonly gap: number }>> = {
  rough: { askew: 13, gap: 0 },
  ordinary: { askew: 5, gap: 3 },
  careful: { askew: 0, gap: 4 },
};
const BEARING = 26;
const HUB = 5;

/** A wheel and its bearing seen from the front: how far it wobbles, and whether its hub scrapes. */
export function WheelPicture({ care }: { readonly care: KnownCare }) {
  const { askew, gap } = SHAPES[care];
  const wheel = BEARING + gap + HUB;
  const turned = (by: number): string => `rotate(${by} ${wheel} 22)`;
  return (
    <svg width="64" height="44" viewBox="0 0 64 44" aria-hidden fill="none" stroke="currentColor" strokeWidth="1.5">
      <path d="M2 22H60" strokeWidth="2.5" />
      <rect x="6" y="14" width={BEARING - 6} height="16" fill="currentColor" fillOpacity="0.15" />
      <rect x={BEARING + gap} y="17" width={HUB} height="10" fill="currentColor" />
      {askew > 0 && <path d={`M${wheel} 3V41`} strokeDasharray="2 3" transform={turned(-askew)} />}
      <path d={`M${wheel} 3V41`} strokeWidth="3.5" transform={turned(askew)} />
      {gap === 0 && <path d={`M${BEARING - 3} 8l4 3M${BEARING + 1} 6v5M${BEARING - 3} 36l4-3M${BEARING + 1} 38v-5`} />}
      {askew === 0 && <circle cx={BEARING + gap / 2} cy="22" r="3" fill="currentColor" />}
    </svg>
  );
}
