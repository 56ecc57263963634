import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Brief } from '../../../core/brief/brief.ts';
import { goalOfKind } from '../../../core/brief/goal.ts';
import { goalRecord } from '../../../core/brief/goals.ts';
import { briefOfAnswers, TEMPLATES, type Answers } from '../../../core/brief/new-brief.ts';
import type { MotorKind } from '../../../core/car/car-design.ts';
import { formatFault } from '../../../core/fault-words.ts';
import { formatIn } from '../../../core/units/quantity.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import { useSaveBrief } from '../../app/use-briefs.ts';
import { AnswerFields } from '../../brief-fields/answer-fields.tsx';
import { useBriefs } from '../../open-car/design-with-brief.ts';
import { BRIEF } from '../../open-brief/brief-document.ts';
import { FileButton } from '../../ui/file-button.tsx';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { useUnits } from '../../ui/use-units.ts';
import styles from './brief.module.css';

interface BeginProps {
  readonly title: string;
  /** What drives the car it is for; null where it is for none yet. */
  readonly drive: MotorKind | null;
  readonly onChosen: (briefId: string) => void;
}

/** Where a brief comes from: one that is here, a few plain questions, a template, or a file. */
export function NewBrief({ title, drive, onChosen }: BeginProps) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const briefs = useBriefs();
  const { keep } = useSaveBrief();
  const [answers, setAnswers] = useState<Answers>({ name: 'My brief', setBy: '', goal: goalOfKind('at-least'), room: 8, drive });
  const begin = async (brief: Brief): Promise<void> => {
    const id = await keep(brief);
    if (id) onChosen(id);
  };
  const openFile = async (chosen: File): Promise<void> => {
    const [{ readJson }, readBrief] = [await import('../../../core/files/read.ts'), await BRIEF.reader()];
    const read = readJson(await chosen.text(), readBrief);
    if (read.kind === 'read') await begin(read.value);
    else dispatch(toasted(`${chosen.name} is not a brief that this app can open: ${formatFault(read.faults[0]!)}`, { tone: 'stop' }));
  };
  return (
    <div className={styles.begin}>
      <header className={styles.head}>
        <h1>{title}</h1>
        <UnitSwitch />
        <FileButton label="Brief file" accept=".json,application/json" onFile={(chosen) => void openFile(chosen)}>
          Open a brief file
        </FileButton>
      </header>
      {briefs.length > 0 && (
        <section aria-labelledby="here-title" className={styles.part}>
          <h2 id="here-title" className={styles.title}>
            Briefs
          </h2>
          <ul className={styles.ways}>
            {briefs.map(({ id, brief }) => (
              <li key={id} className={styles.way}>
                <h3 className={plain.strong}>{brief.name}</h3>
                <p className={plain.text}>{brief.rounds.map(({ goal }) => goalRecord(goal).label(goal, formatIn(units))).join('; ')}</p>
                <Button
                  variant="contained"
                  size="small"
                  aria-label={`${drive ? 'Use this brief' : 'Open'}: ${brief.name}`}
                  onClick={() => onChosen(id)}
                >
                  {drive ? 'Use this brief' : 'Open'}
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-labelledby="questions-title" className={styles.part}>
        <h2 id="questions-title" className={styles.title}>
          Answer three questions
        </h2>
        <form
          className={styles.fields}
          onSubmit={(event) => {
            event.preventDefault();
            void begin(briefOfAnswers(answers));
          }}
        >
          <TextEntry
            label="Name of the brief"
            value={answers.name}
            maxLength={80}
            check={(text) => (text === '' ? 'Give it a name.' : null)}
            onChange={(name) => setAnswers({ ...answers, name })}
          />
          <TextEntry label="Set by" value={answers.setBy} maxLength={80} onChange={(setBy) => setAnswers({ ...answers, setBy })} />
          <AnswerFields answers={answers} onChange={setAnswers} />
          <Button type="submit" variant="contained" sx={{ justifySelf: 'start' }}>
            Create brief
          </Button>
        </form>
      </section>
      <section aria-labelledby="templates-title" className={styles.part}>
        <h2 id="templates-title" className={styles.title}>
          Or start from a template
        </h2>
        <ul className={styles.ways}>
          {Object.entries(TEMPLATES).map(([key, { label, words, brief }]) => (
            <li key={key} className={styles.way}>
              <h3 className={plain.strong}>{label}</h3>
              <p className={plain.text}>{words}</p>
              <Button variant="outlined" size="small" aria-label={`Use this template: ${label}`} onClick={() => void begin(brief())}>
                Use this template
              </Button>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
