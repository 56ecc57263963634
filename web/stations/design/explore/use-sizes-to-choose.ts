import { useMemo } from 'react';
import { sizesToChoose } from '../../../../core/brief/brief.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import type { Size } from '../../../../core/car/size.ts';

/** The sizes that may be explored; the same list while what drives and the goal stay. */
export function useSizesToChoose(design: CarDesign): readonly Size[] {
  const key = [design.motor.kind, design.brief?.id ?? '', design.aim.kind].join(' ');
  // eslint-disable-next-line react-hooks/exhaustive-deps -- which sizes there are depends on these only
  return useMemo(() => sizesToChoose(design), [key]);
}
