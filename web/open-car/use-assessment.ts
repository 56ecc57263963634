import { useCallback, useEffect, useState } from 'react';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { Assessment } from '../../core/explore/assess.ts';
import type { UnitSystem } from '../../core/units/quantity.ts';
import { assessorWorker, dropAssessor, orBroken } from '../workers/explore.ts';

interface Wanted {
  readonly design: CarDesign;
  readonly units: UnitSystem;
  readonly deliver: (made: Assessment | null) => void;
  readonly fail: () => void;
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
      const { design, units, deliver, fail } = wanted;
      wanted = null;
      try {
        deliver(await orBroken(assessorWorker().work.assess(design, units)));
      } catch (reason) {
        console.error(reason);
        // A worker that broke answers no more.
        dropAssessor();
        fail();
      }
    }
  } finally {
    isBusy = false;
  }
}

interface Assessing {
  /** Bounds, checks and priced remedies; the last known until the new ones are there. */
  readonly assessment: Assessment | null;
  /** It broke down for this design; asked again, it is tried once more. */
  readonly isBroken: boolean;
  readonly again: () => void;
}

/** The design judged beside the page. */
export function useAssessment(design: CarDesign, units: UnitSystem): Assessing {
  const [assessment, setAssessment] = useState<Assessment | null>(null);
  const [isBroken, setBroken] = useState(false);
  const [tries, setTries] = useState(0);
  const again = useCallback(() => setTries((before) => before + 1), []);
  useEffect(() => {
    let isCurrent = true;
    wanted = {
      design,
      units,
      deliver: (made) => {
        if (!isCurrent) return;
        setBroken(false);
        setAssessment(made);
      },
      fail: () => {
        if (isCurrent) setBroken(true);
      },
    };
    if (!isBusy) void work();
    return () => {
      isCurrent = false;
    };
  }, [design, units, tries]);
  return { assessment, isBroken, again };
}
