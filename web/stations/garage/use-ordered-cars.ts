import { useEffect, useMemo, useState } from 'react';
import type { ListedCar, StoredBrief } from '../../../core/schema/stored.ts';
import type { orderCars } from './order-cars.ts';

/** The cars in the order in which they need their builder; undefined until that is known. */
export function useOrderedCars(cars: readonly ListedCar[] | undefined, briefs: readonly StoredBrief[]): readonly ListedCar[] | undefined {
  const [order, setOrder] = useState<typeof orderCars | null>(null);
  useEffect(() => {
    // What judges cars comes a moment after the page. Where it does not come, they stay in the order in which they were made.
    import('./order-cars.ts').then(
      (loaded) => setOrder(() => loaded.orderCars),
      () => setOrder(() => (all: readonly ListedCar[]) => all),
    );
  }, []);
  return useMemo(() => (cars && order ? order(cars, briefs) : undefined), [cars, briefs, order]);
}
