import Button from '@mui/material/Button';
import type { Floor } from '../../core/car/car-design.ts';
import { MenuButton } from '../ui/menu-button.tsx';
import { useBriefs } from './design-with-brief.ts';

interface FloorsOfBriefsProps {
  /** `Lay a floor of a brief` by default. */
  readonly label?: string;
  /** The brief whose floors are there already. */
  readonly without?: string;
  /** What else can be laid. */
  readonly more?: readonly (readonly [string, () => void])[];
  readonly isFull?: boolean;
  readonly onChoose: (name: string, floor: Floor) => void;
}

/** Floors are stored with the briefs, for all cars: any of them can be laid. */
export function FloorsOfBriefs({ label = 'Use a floor of a brief', without, more = [], isFull = false, onChoose }: FloorsOfBriefsProps) {
  const briefs = useBriefs().filter(({ id }) => id !== without);
  const floors = briefs.flatMap(({ brief }) =>
    brief.floors.map(({ name, floor }) => [`${name}, of ${brief.name}`, () => onChoose(name, floor)] as const),
  );
  if (floors.length + more.length === 0) return null;
  return (
    <MenuButton
      actions={[...more, ...floors]}
      button={(open) => (
        <Button size="small" aria-haspopup="menu" disabled={isFull} onClick={open}>
          {label}
        </Button>
      )}
    />
  );
}
