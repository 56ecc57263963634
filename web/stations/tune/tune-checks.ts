import { useMemo } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { isSameBuild } from '../../../core/car/same-design.ts';
import { CONFIRMED_CAUSES, type CauseId, type Evidence, type ConfirmedCause } from '../../../core/trials/causes.ts';
import { useLocalStorage } from '../../ui/use-local-storage.ts';

export type Checks = NonNullable<Evidence['checks']>;

/** What was found at the table of a car as it then was, and until when of its runs. */
interface Found {
  readonly design: CarDesign;
  /** Faults put right by then: what was found before is no finding of the mended car. */
  readonly putRight: number;
  readonly checks: Checks;
}

const keyOf = (carId: string): string => `tune-checks-${carId}`;

/** What is confirmed of parts or floor stays so when something else is changed. */
const givenOf = (checks: Checks): readonly ConfirmedCause[] => CONFIRMED_CAUSES.filter((id) => checks[id] === 'confirmed');

/** What was found at the table, stored in this browser: of parts and floor until it is taken back, else as long as the car is as it was. */
export function useTuneChecks(carId: string, design: CarDesign, putRight: number) {
  const [found, setFound] = useLocalStorage<Found | null>(keyOf(carId), null);
  const isOfThisCar = found !== null && found.putRight === putRight && isSameBuild(found.design, design);
  const given = useMemo(() => (found ? givenOf(found.checks) : []), [found]);
  const checks = useMemo(
    (): Checks => (isOfThisCar ? found.checks : Object.fromEntries(given.map((id) => [id, 'confirmed']))),
    [isOfThisCar, found, given],
  );
  const toggle = (id: CauseId, result: 'confirmed' | 'ruled-out'): void => {
    const { [id]: was, ...others } = checks;
    const next: Found = { design, putRight, checks: was === result ? others : { ...others, [id]: result } };
    setFound(next);
  };
  return { checks, given, toggle };
}
