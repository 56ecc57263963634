import Box from '@mui/material/Box';
import { memo, useCallback } from 'react';
import { aimOf, goalOf, type Goal } from '../../../../core/brief/goal.ts';
import type { Aim, Limits } from '../../../../core/car/car-design.ts';
import { GoalFields } from '../../../brief-fields/goal-fields.tsx';
import { LimitFields } from '../../../brief-fields/limit-fields.tsx';
import type { Edit } from '../../../open-car/design-slice.ts';
import plain from '../../../ui/plain.module.css';

interface AimFieldsProps {
  readonly aim: Aim;
  readonly limits: Limits;
  readonly edit: Edit;
}

/** What a car without a brief is to do, and what the rules allow it. */
export const AimFields = memo(function AimFields({ aim, limits, edit }: AimFieldsProps) {
  const ask = useCallback((goal: Goal) => edit((car) => ({ ...car, aim: aimOf(goal) })), [edit]);
  return (
    <div className={plain.rows}>
      <GoalFields goal={goalOf(aim)} onChange={ask} />
      <Box component="details" sx={{ '& summary': { cursor: 'pointer', fontSize: 14 } }}>
        <summary>Limits of the rules</summary>
        <Box sx={{ display: 'grid', gap: 3, pt: 3 }}>
          <LimitFields limits={limits} onChange={(change) => edit((car) => ({ ...car, limits: { ...car.limits, ...change } }))} />
        </Box>
      </Box>
    </div>
  );
});
