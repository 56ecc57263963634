import { useEffect, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { BeforeAndAfter, FilmGain } from '../../../core/trials/film-gain.ts';
import { comparedRunsOf } from '../../app/all-runs.ts';
import { useAppDispatch } from '../../app/store.ts';
import plain from '../../ui/plain.module.css';
import { runTask } from '../../workers/explore.ts';

const percent = (fraction: number): string => `${fraction < 0 ? '−' : '+'}${Math.abs(Math.round(100 * fraction))} %`;

const rangeWords = (name: string, { without, with: now }: BeforeAndAfter): string =>
  `${name} against the expected value: ${percent(now.low)} to ${percent(now.high)}, without films ${percent(without.low)} to ${percent(without.high)} (9 in 10).`;

/** What the films of a car’s runs brought: resistance and energy against what was expected, without them and with them. */
export default function FilmGainLine({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const dispatch = useAppDispatch();
  const [gain, setGain] = useState<FilmGain | null>(null);
  useEffect(() => {
    let isLeft = false;
    const work = async (): Promise<void> => {
      const runs = await comparedRunsOf(dispatch, carId);
      const found = await runTask('rounds', (errand) => errand.filmGain(design, runs));
      if (!isLeft) setGain(found);
    };
    work().catch((reason: unknown) => console.error(reason));
    return () => {
      isLeft = true;
    };
  }, [dispatch, carId, design]);
  if (!gain) return null;
  return (
    <p role="status" className={plain.text}>
      {rangeWords('Resistance', gain.resistance)} {rangeWords('Motor energy', gain.energy)}
    </p>
  );
}
