import { useMemo } from 'react';
import type { CarDesign } from '../../core/car/car-design.ts';
import { runPlan, tuningLog } from '../../core/trials/tuning-log.ts';
import { useListVersionsQuery } from '../app/api/versions-api.ts';
import plain from '../ui/plain.module.css';
import { useRunsOfCar } from './use-runs-of-car.ts';

interface RunPlanProps {
  readonly carId: string;
  readonly design: CarDesign;
  /** Leads to where runs are made, or to what they tell; nothing where one is there. */
  readonly action?: React.ReactNode;
}

/** The runs that are planned to judge a change that was taken: how many of each are left. */
export function RunPlan({ carId, design, action }: RunPlanProps) {
  const { runs } = useRunsOfCar(carId);
  const { data: versions } = useListVersionsQuery(carId);
  const plan = useMemo(() => (runs && versions ? runPlan(tuningLog(versions.readable, design, runs)) : null), [runs, versions, design]);
  if (!plan || plan.before + plan.after === 0) return null;
  const { entry, before, after } = plan;
  const left = [
    ...(after > 0 ? [`${after} of the car as it is now, “${entry.version.record.name}”`] : []),
    ...(before > 0 ? [`${before} of the car before the change, “${entry.parent.record.name}”`] : []),
  ].join(' and ');
  return (
    <p className={plain.text} role="note" aria-label="Planned runs">
      Planned to judge the change: {left}, all wound the same, best in turns (now, before, now, before). {action}
    </p>
  );
}
