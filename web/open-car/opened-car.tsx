import { useDeferredValue, useEffect } from 'react';
import { useParams } from 'react-router';
import type { CarDesign } from '../../core/car/car-design.ts';
import { NotFoundScreen } from '../app/error-screen.tsx';
import { ReadFailure } from '../app/read-failure.tsx';
import { carVisited } from '../app/preferences-slice.ts';
import { useAppDispatch } from '../app/store.ts';
import { useOpenCar, useOpenDesign } from './use-open-car.ts';
import { StationSkeleton } from '../ui/station-skeleton.tsx';

interface OpenedCarProps {
  /** The station, once the car of the address is open; begun again for another car. */
  readonly children: (carId: string, design: CarDesign) => React.ReactNode;
}

/** Opens the car of the address, and says so where it is not there or cannot be read. */
export function OpenedCar({ children }: OpenedCarProps) {
  const carId = useParams().carId!;
  const { missing, error } = useOpenCar(carId);
  const design = useOpenDesign(carId);
  const dispatch = useAppDispatch();
  const isShown = useDeferredValue(Boolean(design), false);
  useEffect(() => {
    dispatch(carVisited(missing ? null : carId));
  }, [dispatch, carId, missing]);
  if (missing) return <NotFoundScreen />;
  if (error) return <ReadFailure title="The car cannot be read" error={error} />;
  if (!isShown || !design) return <StationSkeleton layout="car" label="Reading the car" />;
  return children(carId, design);
}
