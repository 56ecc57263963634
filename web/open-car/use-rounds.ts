import { useEffect, useState } from 'react';
import type { Brief } from '../../core/brief/brief.ts';
import type { JudgedRound } from '../../core/brief/judge.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import { runTask } from '../workers/explore.ts';
import { newestOnly } from '../workers/newest-only.ts';

/** ms that a car must be left alone before its rounds are run: some hundred cars each. */
const QUIET = 250;

interface Asked {
  readonly design: CarDesign;
  readonly brief: Brief;
}

const ask = newestOnly(
  ({ design, brief }: Asked): Promise<readonly JudgedRound[]> => runTask('rounds', (work) => work.judgeRounds(design, brief)),
  () => new Promise((resolve) => setTimeout(resolve, QUIET)),
);

/** A car in every round of a brief, worked out beside the page; null until it is known. The last known stays until the new is there. */
export function useRounds(design: CarDesign, brief: Brief | null): readonly JudgedRound[] | null {
  const [known, setKnown] = useState<{ readonly brief: Brief; readonly rounds: readonly JudgedRound[] } | null>(null);
  useEffect(() => {
    if (!brief) return;
    return ask(
      { design, brief },
      (rounds) => setKnown({ brief, rounds }),
      () => setKnown(null),
    );
  }, [design, brief]);
  return brief && known?.brief === brief ? known.rounds : null;
}
