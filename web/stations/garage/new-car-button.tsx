import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { MOTOR_NAMES, type MotorKind } from '../../../core/design/car-design.ts';

const KINDS = Object.keys(MOTOR_NAMES) as MotorKind[];

/** Asks what is to drive the new car. */
export function NewCarButton({ onChoose }: { readonly onChoose: (kind: MotorKind) => void }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button variant="contained" aria-haspopup="menu" onClick={({ currentTarget }) => setAnchor(currentTarget)}>
        New car
      </Button>
      {anchor && (
        <Menu anchorEl={anchor} open onClose={() => setAnchor(null)}>
          {KINDS.map((kind) => (
            <MenuItem
              key={kind}
              onClick={() => {
                setAnchor(null);
                onChoose(kind);
              }}
            >
              With {MOTOR_NAMES[kind]}
            </MenuItem>
          ))}
        </Menu>
      )}
    </>
  );
}
