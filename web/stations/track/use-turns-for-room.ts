import { useEffect, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { TurnsForRoom } from '../../../core/trials/turns-for-room.ts';
import { runTask } from '../../workers/explore.ts';

/** How far the car may be wound in its room, worked out beside the page; null until it is known, and without a wall. */
export function useTurnsForRoom(design: CarDesign): TurnsForRoom | null {
  const [known, setKnown] = useState<{ readonly design: CarDesign; readonly turns: TurnsForRoom } | null>(null);
  const { roomLength } = design.floor;
  useEffect(() => {
    if (roomLength === null) return;
    let isWanted = true;
    runTask('rounds', (work) => work.turnsForRoom(design, roomLength)).then(
      (turns) => isWanted && setKnown({ design, turns }),
      console.error,
    );
    return () => {
      isWanted = false;
    };
  }, [design, roomLength]);
  return known?.design === design ? known.turns : null;
}
