import Button from '@mui/material/Button';
import { memo, useState } from 'react';
import type { Aim, CarDesign } from '../../../../core/car/car-design.ts';
import { aimWords } from '../../../../core/brief/aim-words.ts';
import type { Assessment, OfferedRemedy } from '../../../../core/explore/assess.ts';
import { formatKnown, formatPredicted, unitOf, type UnitSystem } from '../../../../core/units/quantity.ts';
import plain from '../../../ui/plain.module.css';
import { useRoving } from '../../../ui/use-roving.ts';
import { useUnits } from '../../../ui/use-units.ts';
import type { Edit } from '../../../open-car/design-slice.ts';
import styles from './verdict-panel.module.css';
import { NOTICEABLE_SLIP } from '../../../../core/predict/verdict.ts';

const SHOWN = 3;
/** A gain above this gets the car where it did not get before. */
const GETS_THERE = 500;

interface RemediesProps {
  readonly assessment: Assessment | null;
  /** m, half of what 8 in 10 such cars lie within. */
  readonly halfWidth: number;
  readonly aim: Aim;
  readonly edit: Edit;
  /** Lays the car a remedy would make behind the curve; null takes it away. */
  readonly onPreview: (preview: { readonly label: string; readonly design: CarDesign } | null) => void;
}

/** What a remedy buys, beside the distance: its wheelspin, and the seconds it takes. */
function priceWords({ time, timeGain, slipDistance, slipGain, better, helps, cures }: OfferedRemedy, aim: Aim, units: UnitSystem): string {
  const { gain, figures, describe } = aimWords(aim, units);
  const { figure, unit } = figures(0);
  // What a car gains in distance is beside it already.
  const asked =
    gain === 'further' || better <= 0 ? [] : better > GETS_THERE ? ['reaches the goal'] : [describe(`${figure(better)} ${unit} ${gain}`)];
  const spin =
    slipDistance > NOTICEABLE_SLIP
      ? [`spins for ${formatPredicted(slipDistance, 'distance', units)}`]
      : slipGain < -NOTICEABLE_SLIP
        ? ['no wheelspin']
        : [];
  return [
    cures !== null
      ? `fixes “${cures}”`
      : helps > 0.95
        ? 'helps all cars built like this'
        : `helps ${Math.round(10 * helps)} in 10 cars built like this`,
    ...asked,
    ...spin,
    `${formatPredicted(time, 'time', units)}, ${formatPredicted(Math.abs(timeGain), 'time', units)} ${timeGain < 0 ? 'quicker' : 'longer'}`,
  ].join(' · ');
}

/** What would help, each with what it buys, on the curve while it is pointed at; a press takes it, as one step to undo. */
export const Remedies = memo(function Remedies({ assessment, halfWidth, aim, edit, onPreview }: RemediesProps) {
  const units = useUnits();
  const [all, setAll] = useState(false);
  const group = useRoving('button');
  const remedies = assessment?.remedies ?? [];
  if (remedies.length === 0) return null;
  return (
    <section ref={group} aria-labelledby="remedies-title">
      <h2 id="remedies-title" className={plain.heading}>
        What would help
      </h2>
      <ul className={styles.remedies}>
        {remedies.slice(0, all ? undefined : SHOWN).map((priced) => {
          const { remedy, distance } = priced;
          const show = (): void => onPreview(remedy);
          const hide = (): void => onPreview(null);
          return (
            <li key={remedy.id} onPointerEnter={show} onPointerLeave={hide} onFocus={show} onBlur={hide}>
              <span className={plain.text}>
                {remedy.label}
                <span className={`${plain.caption} ${plain.muted}`}>{priceWords(priced, aim, units)}</span>
              </span>
              <span className={plain.figures}>
                → {formatKnown(distance, halfWidth, 'distance', units)} {unitOf('distance', units)}
              </span>
              <Button
                size="small"
                variant="outlined"
                aria-label={`Apply: ${remedy.label}`}
                onClick={() => {
                  hide();
                  edit((design) => ({ ...remedy.design, name: design.name }));
                }}
              >
                Apply
              </Button>
            </li>
          );
        })}
      </ul>
      {remedies.length > SHOWN && (
        <Button size="small" onClick={() => setAll(!all)} aria-expanded={all}>
          {all ? 'fewer' : `${remedies.length - SHOWN} more`}
        </Button>
      )}
    </section>
  );
});
