import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { CarDesign } from '../../core/car/car-design.ts';
import { FLICK_TEST } from '../../core/car/flick-test.ts';
import plain from '../ui/plain.module.css';
import { WheelPicture } from './wheel-picture.tsx';

interface FlickTestProps {
  readonly care: CarDesign['care'];
  readonly onFound: (care: CarDesign['care']) => void;
}

/** Asks how long a flicked wheel turns, by pictures of what it shows: it sets how true the car is taken to be built. */
export const FlickTest = ({ care, onFound }: FlickTestProps) => (
  <div role="group" aria-labelledby="flick-title" className={plain.rows}>
    <p id="flick-title" className={plain.text}>
      <span className={plain.strong}>Flick test.</span> Lift the unwound car and flick a drive wheel. How long does it turn?
    </p>
    <ToggleButtonGroup
      size="small"
      exclusive
      orientation="vertical"
      value={care}
      aria-label="How long a flicked wheel turns"
      onChange={(_event, found: CarDesign['care'] | null) => found && onFound(found)}
      sx={{ justifySelf: 'start' }}
    >
      {FLICK_TEST.map(({ care: answer, label }) => (
        <ToggleButton key={answer} value={answer} sx={{ justifyContent: 'start', textAlign: 'left', gap: 1.5 }}>
          <WheelPicture care={answer} />
          {label}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  </div>
);
