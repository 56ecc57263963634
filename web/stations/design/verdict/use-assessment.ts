import { useEffect, useState } from 'react';
import type { CarDesign } from '../../../../core/design/car-design.ts';
import type { Assessment } from '../../../../core/explore/assess.ts';
import type { UnitSystem } from '../../../../core/units/quantity.ts';
import { assessorHand } from '../../../workers/explore.ts';

interface Wanted {
  readonly design: CarDesign;
  readonly units: UnitSystem;
  readonly deliver: (made: Assessment | null) => void;
}

/** What is wanted while the worker is busy: only the newest design matters. */
let wanted: Wanted | null = null;
let isBusy = false;

/** ms the worker waits, so that curve and verdict of the edit are painted with the machine to themselves. */
const AFTER_PAINT = 48;

async function work(): Promise<void> {
  isBusy = true;
  try {
    while (wanted) {
      await new Promise((resolve) => setTimeout(resolve, AFTER_PAINT));
      const { design, units, deliver } = wanted;
      wanted = null;
      deliver(await assessorHand().work.assess(design, units));
    }
  } finally {
    isBusy = false;
  }
}

/** Bounds, checks and priced remedies of the design, computed beside the page; the last known until the new ones are there. */
export function useAssessment(design: CarDesign, units: UnitSystem): Assessment | null {
  const [assessment, setAssessment] = useState<Assessment | null>(null);
  useEffect(() => {
    let isCurrent = true;
    wanted = {
      design,
      units,
      deliver: (made) => {
        if (isCurrent) setAssessment(made);
      },
    };
    if (!isBusy) void work();
    return () => {
      isCurrent = false;
    };
  }, [design, units]);
  return assessment;
}
