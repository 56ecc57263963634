import { useCallback, useEffect, useState } from 'react';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { Assessment } from '../../core/explore/assess.ts';
import type { UnitSystem } from '../../core/units/quantity.ts';
import { runTask } from '../workers/explore.ts';
import { newestOnly } from '../workers/newest-only.ts';

/** ms the worker waits, so that curve and verdict of the edit are painted with the machine to themselves. */
const AFTER_PAINT = 48;

const ask = newestOnly(
  ({ design, units }: { readonly design: CarDesign; readonly units: UnitSystem }): Promise<Assessment | null> =>
    runTask('assess', (work) => work.assess(design, units)),
  () => new Promise((resolve) => setTimeout(resolve, AFTER_PAINT)),
);

interface Assessing {
  /** Bounds, checks and priced remedies; the last known until the new ones are there. */
  readonly assessment: Assessment | null;
  /** It broke down for this design; asked again, it is tried once more. */
  readonly isBroken: boolean;
  readonly again: () => void;
}

/** The design judged beside the page; nothing of null. */
export function useAssessment(design: CarDesign | null, units: UnitSystem): Assessing {
  const [assessment, setAssessment] = useState<Assessment | null>(null);
  const [isBroken, setBroken] = useState(false);
  const [tries, setTries] = useState(0);
  const again = useCallback(() => setTries((before) => before + 1), []);
  useEffect(
    () =>
      design === null
        ? undefined
        : ask(
            { design, units },
            (assessment) => {
              setBroken(false);
              setAssessment(assessment);
            },
            () => setBroken(true),
          ),
    [design, units, tries],
  );
  return { assessment, isBroken, again };
}
