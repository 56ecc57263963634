import Button from '@mui/material/Button';
import { MOTOR_NAMES, type MotorKind } from '../../../core/design/car-design.ts';
import { MenuButton } from '../../ui/menu-button.tsx';

const KINDS = Object.keys(MOTOR_NAMES) as MotorKind[];

/** Asks what is to drive the new car. */
export const NewCarButton = ({ onChoose }: { readonly onChoose: (kind: MotorKind) => void }) => (
  <MenuButton
    actions={KINDS.map((kind) => [`With ${MOTOR_NAMES[kind]}`, () => onChoose(kind)])}
    button={(open) => (
      <Button variant="contained" aria-haspopup="menu" onClick={open}>
        New car
      </Button>
    )}
  />
);
