import Button from '@mui/material/Button';
import type { MotorKind } from '../../../core/car/car-design.ts';
import { MOTOR_KINDS, MOTORS } from '../../../core/car/motors/motors.ts';
import { MenuButton } from '../../ui/menu-button.tsx';

interface NewCarButtonProps {
  readonly onChoose: (kind: MotorKind) => void;
  /** `New car` by default. */
  readonly label?: string;
}

/** Asks what is to drive the new car. */
export const NewCarButton = ({ onChoose, label }: NewCarButtonProps) => (
  <MenuButton
    actions={MOTOR_KINDS.map((kind) => [`With ${MOTORS[kind].name}`, () => onChoose(kind)])}
    button={(open) => (
      <Button variant={label ? 'text' : 'contained'} aria-haspopup="menu" onClick={open}>
        {label ?? 'New car'}
      </Button>
    )}
  />
);
