import Button from '@mui/material/Button';
import { useState } from 'react';
import type { MotorKind } from '../../../core/car/car-design.ts';
import { causeName, describeCause } from '../../../core/trials/cause-descriptions.ts';
import { isRepairable, type CauseId, type Explanation as Causes } from '../../../core/trials/causes.ts';
import type { RepairableFault } from '../../../core/trials/fit/trial.ts';
import { Explained } from '../../ui/explained.tsx';
import type { Explanation } from '../../ui/explanation.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import type { Checks } from './tune-checks.ts';
import styles from './tune.module.css';
import { causeFacts, isSure } from './describe-tuning.ts';

/** Causes that are reported before more are asked for. */
const SHOWN = 4;

interface WhyProps {
  /** What drives the car: it is reported in its words. */
  readonly motor: MotorKind;
  readonly causes: Causes;
  readonly checks: Checks;
  /** What was confirmed and is computed with everywhere. */
  readonly given: readonly CauseId[];
  readonly explain: (figure: string) => Explanation;
  readonly onFound: (id: CauseId, result: 'confirmed' | 'ruled-out') => void;
  /** It was cured at the table: the next runs show what that brought. */
  readonly onPutRight: (id: RepairableFault) => void;
}

/** What may be behind it, ranked; a check at the table ranks them again at once. */
export function Why({ motor, causes: told, checks, given, explain, onFound, onPutRight }: WhyProps) {
  const units = useUnits();
  const [all, setAll] = useState(false);
  return (
    <>
      {given.map((id) => (
        <div key={id} className={styles.row}>
          <span className={plain.text}>✓ Included everywhere here: {describeCause(id, motor).name}.</span>
          <Button size="small" aria-label={`Withdraw: ${describeCause(id, motor).name}`} onClick={() => onFound(id, 'confirmed')}>
            Withdraw
          </Button>
        </div>
      ))}
      <ol className={`${plain.list} ${styles.list}`}>
        {told.causes.slice(0, all ? undefined : SHOWN).map((cause) => {
          const { seen: wouldSee, check, cure } = describeCause(cause.id, motor);
          const name = causeName(cause, motor);
          return (
            <li key={name} className={styles.cause}>
              <div className={styles.row}>
                <span className={isSure(cause) ? plain.strong : plain.text}>{name}</span>
                <span className={plain.caption}>
                  <Explained explain={explain} figure="cause">
                    {causeFacts(cause, units)}
                  </Explained>
                </span>
              </div>
              <div className={styles.bar} aria-hidden>
                <span style={{ width: `${100 * cause.probability}%` }} />
              </div>
              <p className={`${plain.caption} ${plain.muted}`}>Sign: {wouldSee}.</p>
              {check && (
                <>
                  <p className={plain.text}>{check}</p>
                  <div className={styles.row}>
                    <Button
                      size="small"
                      variant={checks[cause.id] === 'confirmed' ? 'contained' : 'outlined'}
                      aria-pressed={checks[cause.id] === 'confirmed'}
                      aria-label={`Confirmed: ${name}`}
                      onClick={() => onFound(cause.id, 'confirmed')}
                    >
                      Confirmed
                    </Button>
                    <Button
                      size="small"
                      variant={checks[cause.id] === 'ruled-out' ? 'contained' : 'outlined'}
                      aria-pressed={checks[cause.id] === 'ruled-out'}
                      aria-label={`Ruled out: ${name}`}
                      onClick={() => onFound(cause.id, 'ruled-out')}
                    >
                      Ruled out
                    </Button>
                  </div>
                  {checks[cause.id] === 'confirmed' && cure && isRepairable(cause.id) && (
                    <Cure words={cure} name={name} onPutRight={() => onPutRight(cause.id as RepairableFault)} />
                  )}
                </>
              )}
            </li>
          );
        })}
      </ol>
      {told.causes.length > SHOWN && (
        <Button size="small" onClick={() => setAll(!all)} aria-expanded={all} sx={{ justifySelf: 'start' }}>
          {all ? 'fewer' : `${told.causes.length - SHOWN} less likely ones`}
        </Button>
      )}
    </>
  );
}

/** How a fault is put right, and that it was. */
const Cure = ({ words, name, onPutRight }: { readonly words: string; readonly name: string; readonly onPutRight: () => void }) => (
  <>
    <p className={plain.text}>{words}</p>
    <div className={styles.row}>
      <Button size="small" variant="contained" aria-label={`Repaired: ${name}`} onClick={onPutRight}>
        Repaired
      </Button>
      <span className={`${plain.caption} ${plain.muted}`}>runs from now on are separate from those before</span>
    </div>
  </>
);
