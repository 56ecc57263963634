import { useEffect, useState } from 'react';
import type { Brief } from '../../core/brief/brief.ts';
import type { JudgedRound } from '../../core/brief/judge.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import { runTask } from '../workers/explore.ts';

type Rounds = readonly JudgedRound[];

/** What is known of a car under a brief: each is worked out once, for as long as both stay the same. */
const known = new WeakMap<CarDesign, WeakMap<Brief, Rounds>>();
const knownOf = ({ design, brief }: ScoredCar): Rounds | undefined => known.get(design)?.get(brief);

/** A car and the brief it is judged by. */
export interface ScoredCar {
  readonly id: string;
  readonly design: CarDesign;
  readonly brief: Brief;
}

async function workOut({ design, brief }: ScoredCar): Promise<void> {
  const rounds = await runTask('rounds', (work) => work.judgeRounds(design, brief));
  const ofDesign = known.get(design) ?? new WeakMap<Brief, Rounds>();
  known.set(design, ofDesign);
  ofDesign.set(brief, rounds);
}

/** Cars in every round of their briefs, one after the other beside the page, by the cars' ids; what is not known yet is missing. `contenders` stays the same while nothing of it changes. */
export function useBriefScores(contenders: readonly ScoredCar[]): ReadonlyMap<string, Rounds> {
  const [, setCount] = useState(0);
  useEffect(() => {
    let isWanted = true;
    const work = async (): Promise<void> => {
      for (const contender of contenders) {
        if (!isWanted) return;
        if (knownOf(contender)) continue;
        try {
          await workOut(contender);
        } catch (reason) {
          console.error(reason);
        }
        if (isWanted) setCount((count) => count + 1);
      }
    };
    // Whatever else the page does at first comes first.
    const idle = requestIdleCallback(() => void work());
    return () => {
      isWanted = false;
      cancelIdleCallback(idle);
    };
  }, [contenders]);
  return new Map(
    contenders.flatMap((contender) => {
      const rounds = knownOf(contender);
      return rounds ? [[contender.id, rounds] as const] : [];
    }),
  );
}
