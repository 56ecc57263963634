import Button from '@mui/material/Button';
import type { MotorKind } from '../../../core/car/car-design.ts';
import { MOTOR_KINDS, MOTORS } from '../../../core/car/motors/motors.ts';
import { MenuButton } from '../../ui/menu-button.tsx';

/** Asks what is to drive the new car. */
export const NewCarButton = ({ onChoose }: { readonly onChoose: (kind: MotorKind) => void }) => (
  <MenuButton
    actions={MOTOR_KINDS.map((kind) => [`With ${MOTORS[kind].name}`, () => onChoose(kind)])}
    button={(open) => (
      <Button variant="contained" aria-haspopup="menu" onClick={open}>
        New car
      </Button>
    )}
  />
);
