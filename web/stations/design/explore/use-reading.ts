import { useMemo } from 'react';
import type { Aim } from '../../../../core/car/car-design.ts';
import type { Size } from '../../../../core/car/size.ts';
import { readingOf, sweptOf, type Swept } from './sweep-option.ts';

/** What is shown of a sweep over a size: what is wanted where that can be shown, else the first that can. */
export const useReading = (size: Size, aim: Aim, wanted: Swept | null) =>
  useMemo(() => {
    const readings = sweptOf(size, aim);
    const shown = wanted && readings.includes(wanted) ? wanted : readings[0]!;
    return { readings, shown, reading: readingOf(shown, aim) };
  }, [size, aim, wanted]);
