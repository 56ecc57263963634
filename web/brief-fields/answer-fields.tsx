import type { Answers } from '../../core/brief/new-brief.ts';
import type { MotorKind } from '../../core/car/car-design.ts';
import { MOTOR_KINDS, MOTORS } from '../../core/car/motors/motors.ts';
import { QuantityField } from '../ui/quantity-field.tsx';
import { ChoiceSelect } from './choice-select.tsx';
import { GoalFields } from './goal-fields.tsx';

const DRIVES = {
  any: 'anything',
  ...(Object.fromEntries(MOTOR_KINDS.map((kind) => [kind, MOTORS[kind].name])) as Record<MotorKind, string>),
} as const;

interface AnswerFieldsProps {
  readonly answers: Answers;
  readonly onChange: (answers: Answers) => void;
}

/** Three things that make a brief: what drives the car, the goal, how much room there is. */
export const AnswerFields = ({ answers, onChange }: AnswerFieldsProps) => (
  <>
    <ChoiceSelect
      label="Motor"
      value={answers.drive ?? 'any'}
      options={DRIVES}
      onChange={(drive) => onChange({ ...answers, drive: drive === 'any' ? null : drive })}
    />
    <GoalFields label="Goal" goal={answers.goal} onChange={(goal) => onChange({ ...answers, goal })} />
    <QuantityField
      size="small"
      label="Room from the line to the wall (0: no wall)"
      quantity="distance"
      value={answers.room ?? 0}
      check={(value) => (value >= 0 && value <= 1000 ? null : 'Must be 0 to 1000 m.')}
      onChange={(room) => onChange({ ...answers, room: room > 0 ? room : null })}
    />
  </>
);
