import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { roundSentences } from '../../../core/brief/rule-sheet.ts';
import { formatIn } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { useUnits } from '../../ui/use-units.ts';
import styles from './meet.module.css';
import type { OpenMeet } from './use-meet.ts';

const whole =
  (most: number) =>
  (typed: string): string | null => {
    const value = Number(typed);
    return typed !== '' && Number.isInteger(value) && value >= 0 && value <= most ? null : `A whole number from 0 to ${most}.`;
  };

/** The rounds as they count, and what this meet adds: worst rounds dropped, points for style, what may be changed. */
export function RulesView({ open, isHost }: { readonly open: OpenMeet; readonly isHost: boolean }) {
  const units = useUnits();
  const meet = open.meet!;
  const { change } = open;
  return (
    <div className={styles.view}>
      {meet.brief.rounds.map((round) => (
        <section key={round.name} aria-label={round.name} className={styles.part}>
          <h2 className={plain.heading}>{round.name}</h2>
          <p className={plain.text}>{roundSentences(round, formatIn(units))}</p>
        </section>
      ))}
      {isHost ? (
        <div className={styles.fields}>
          <TextEntry
            label="Worst rounds of each car that do not count"
            value={String(meet.drops)}
            check={whole(20)}
            onChange={(drops) => void change((before) => ({ ...before, drops: Number(drops) }))}
          />
          <TextEntry
            label="Most style points from judges"
            value={String(meet.style)}
            check={whole(100)}
            onChange={(style) => void change((before) => ({ ...before, style: Number(style) }))}
          />
          <TextEntry
            label="What may be changed between rounds"
            value={meet.change}
            maxLength={200}
            onChange={(words) => void change((before) => ({ ...before, change: words }))}
          />
          <FormControlLabel
            control={
              <Checkbox
                checked={meet.showsChances === true}
                onChange={({ target }) => void change((before) => ({ ...before, showsChances: target.checked }))}
              />
            }
            label="The crews agree: show the chances on the board of this machine"
          />
        </div>
      ) : (
        <ul className={plain.text}>
          <li>Worst rounds of each car that do not count: {meet.drops}</li>
          <li>Most style points from judges: {meet.style}</li>
          {meet.change && <li>What may be changed between rounds: {meet.change}</li>}
        </ul>
      )}
    </div>
  );
}
