import { useEffect, useState } from 'react';
import type { CarDesign } from '../../../core/design/car-design.ts';
import type { Assessment } from '../../../core/explore/assess.ts';
import type { UnitSystem } from '../../../core/units/quantity.ts';
import { assessorHand } from '../../workers/explore.ts';

/** What was asked for while the worker was busy: only the newest design matters. */
let waiting: (() => void) | null = null;
let isBusy = false;

async function ask(design: CarDesign, units: UnitSystem): Promise<Assessment | null> {
  isBusy = true;
  try {
    return await assessorHand().work.assess(design, units);
  } finally {
    isBusy = false;
    const next = waiting;
    waiting = null;
    next?.();
  }
}

/** Bounds, checks and priced remedies of the design, computed beside the page; the last known until the new ones are there. */
export function useAssessment(design: CarDesign, units: UnitSystem): Assessment | null {
  const [assessment, setAssessment] = useState<Assessment | null>(null);
  useEffect(() => {
    let isCurrent = true;
    const start = (): void => {
      if (!isCurrent) return;
      void ask(design, units).then((made) => {
        if (isCurrent) setAssessment(made);
      });
    };
    if (isBusy) waiting = start;
    else start();
    return () => {
      isCurrent = false;
    };
  }, [design, units]);
  return assessment;
}
