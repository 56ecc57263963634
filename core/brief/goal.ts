import type { Aim } from '../car/car-design.ts';
import type { Goal } from '../schema/generated/brief.ts';

export type { Goal };

/** What an aim has until it is told. m, m, m per m/s. */
const UNTOLD = { distance: 5, width: 1, weight: 5 } as const;

/** A goal of a kind, with what it needs besides: of what was asked before as far as that goes. */
export function goalOfKind(kind: Goal['kind'], before: Goal | Partial<Record<'distance' | 'width' | 'weight', number | null>> = {}): Goal {
  const { distance: far, width: wide, weight } = before as Partial<Record<'distance' | 'width' | 'weight', number | null>>;
  const distance = far ?? UNTOLD.distance;
  const width = wide ?? UNTOLD.width;
  switch (kind) {
    case 'furthest':
    case 'straightest':
    case 'load-distance':
    case 'highest-edge':
      return { kind };
    case 'within-lane':
      return { kind, width };
    case 'through-gap':
    case 'stop-within':
      return { kind, distance, width };
    case 'speed-and-distance':
      return { kind, distance, weight: weight ?? UNTOLD.weight };
    default:
      return { kind, distance };
  }
}

/** The goal that a car's aim names. */
export const goalOf = (aim: Aim): Goal => goalOfKind(aim.kind, aim);

/** A goal as the aim of a car. */
export const aimOf = (goal: Goal): Aim => ({ distance: null, ...goal });
