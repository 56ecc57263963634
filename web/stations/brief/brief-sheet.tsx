import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Brief } from '../../../core/brief/brief.ts';
import { freeName } from '../../../core/brief/free-name.ts';
import { newRound, plainFloor } from '../../../core/brief/new-brief.ts';
import { roundSentences, ruleSentences } from '../../../core/brief/rule-sheet.ts';
import { type Format, formatIn } from '../../../core/units/quantity.ts';
import { FloorsOfBriefs } from '../../open-car/floors-of-briefs.tsx';
import type { EditBrief } from '../../open-brief/brief-slice.ts';
import plain from '../../ui/plain.module.css';
import { useStableKeys } from '../../ui/stable-keys.ts';
import { TextEntry } from '../../ui/text-entry.tsx';
import { useUnits } from '../../ui/use-units.ts';
import styles from './brief.module.css';
import { EditableSection } from './editable-section.tsx';
import { FloorPart } from './floor-part.tsx';
import { RoundPicture } from './round-picture.tsx';
import { RoundFields } from './round-fields.tsx';
import { RuleFields } from './rule-fields.tsx';

const MOST = 20;

interface SheetProps {
  readonly briefId: string;
  readonly brief: Brief;
  readonly edit: EditBrief;
}

/** The page everyone reads: what counts, the floors, the rules. It is changed where it stands. */
export function BriefSheet({ briefId, brief, edit }: SheetProps) {
  const units = useUnits();
  const format: Format = formatIn(units);
  const { name, setBy, rounds, floors, rules } = brief;
  const [roundKeys, floorKeys] = [useStableKeys(rounds), useStableKeys(floors)];
  const [opensBy, setOpensBy] = useState(false);
  return (
    <article aria-label={name} className={styles.sheet}>
      <div className={styles.head}>
        <h1 className={styles.title}>{setBy === '' ? name : `${name}, set by ${setBy}`}</h1>
        <Button
          size="small"
          aria-expanded={opensBy}
          aria-label={opensBy ? 'Close the title' : 'Change the title'}
          onClick={() => setOpensBy(!opensBy)}
        >
          {opensBy ? 'Done' : 'Change'}
        </Button>
      </div>
      {opensBy && (
        <div className={styles.fields}>
          <TextEntry
            label="Name of the brief"
            value={name}
            maxLength={80}
            check={(text) => (text === '' ? 'Give it a name.' : null)}
            onChange={(next) => edit((present) => ({ ...present, name: next }))}
          />
          <TextEntry label="Set by" value={setBy} maxLength={80} onChange={(next) => edit((present) => ({ ...present, setBy: next }))} />
        </div>
      )}
      <section aria-labelledby="counts-title" className={styles.part}>
        <div className={styles.head}>
          <h2 id="counts-title" className={styles.title}>
            What counts
          </h2>
          <Button
            size="small"
            disabled={rounds.length >= MOST}
            onClick={() =>
              edit((present) => ({
                ...present,
                rounds: [
                  ...present.rounds,
                  newRound(
                    freeName(
                      'Another round',
                      present.rounds.map((one) => one.name),
                    ),
                    present.floors[0]!.name,
                    { kind: 'furthest' },
                  ),
                ],
              }))
            }
          >
            Add a round
          </Button>
        </div>
        <ol className={styles.list}>
          {rounds.map((round, i) => (
            <li key={roundKeys[i]}>
              <EditableSection
                name={`Round ${i + 1}, ${round.name}`}
                heading={
                  <h3 className={plain.strong}>
                    {i + 1}. {round.name}, on {round.floor}
                  </h3>
                }
                fields={() => <RoundFields brief={brief} place={i} edit={edit} />}
              >
                <RoundPicture brief={brief} round={round} />
                <p className={styles.lead}>{roundSentences(round, format)}</p>
              </EditableSection>
            </li>
          ))}
        </ol>
      </section>
      <section aria-labelledby="floors-title" className={styles.part}>
        <div className={styles.head}>
          <h2 id="floors-title" className={styles.title}>
            Floors
          </h2>
          <AddFloor briefId={briefId} brief={brief} edit={edit} />
        </div>
        <div className={styles.list}>
          {floors.map((_floor, i) => (
            <FloorPart key={floorKeys[i]} brief={brief} place={i} edit={edit} />
          ))}
        </div>
      </section>
      <section aria-labelledby="rules-title">
        <EditableSection
          name="the rules"
          heading={
            <h2 id="rules-title" className={styles.title}>
              Rules
            </h2>
          }
          fields={() => <RuleFields rules={rules} edit={edit} />}
        >
          <ul className={styles.rules}>
            {ruleSentences(brief, format).map((line) => (
              <li key={line} className={plain.text}>
                {line}
              </li>
            ))}
          </ul>
        </EditableSection>
      </section>
    </article>
  );
}

/** A new floor, or one that is laid in another brief. */
function AddFloor({ briefId, brief, edit }: SheetProps) {
  const add = (name: string, floor: Brief['floors'][number]['floor']): void =>
    edit((present) => {
      const taken = present.floors.map((one) => one.name);
      return { ...present, floors: [...present.floors, { name: freeName(name, taken), floor }] };
    });
  return (
    <FloorsOfBriefs
      label="Add a floor"
      without={briefId}
      more={[['A new, smooth floor', () => add('another floor', plainFloor(null))]]}
      isFull={brief.floors.length >= MOST}
      onChoose={add}
    />
  );
}
