import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import type { Brief, Round } from '../../../core/brief/brief.ts';
import { choosesLoad } from '../../../core/brief/goal.ts';
import type { Goal } from '../../../core/brief/goal.ts';
import { withTwigs } from '../../../core/brief/new-brief.ts';
import { readPoints } from '../../../core/brief/parse-lines.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { GoalFields } from '../../brief-fields/goal-fields.tsx';
import fieldStyles from '../../brief-fields/brief-fields.module.css';
import type { EditBrief } from '../../open-brief/brief-slice.ts';
import { QuantityField } from '../../ui/quantity-field.tsx';
import { TextEntry } from '../../ui/text-entry.tsx';
import { Drafts } from '../../ui/use-draft.ts';
import styles from './brief.module.css';

const MOST_RUNS = 20;
const COUNTS = {
  best: 'the best counts',
  'best-two': 'the mean of the two best counts',
  mean: 'the mean counts',
  sum: 'the sum counts',
} as const;
const MISSING = { worst: 'counts as the worst', all: 'leaves the car without a score' } as const;
const notBlank = (text: string): string | null => (text === '' ? 'Give it a name.' : null);

interface RoundFieldsProps {
  readonly brief: Brief;
  readonly place: number;
  readonly edit: EditBrief;
}

/** Everything of a round. */
export function RoundFields({ brief, place, edit }: RoundFieldsProps) {
  const { rounds, floors } = brief;
  const round = rounds[place]!;
  const change = (part: Partial<Round>): void =>
    edit((present) => ({ ...present, rounds: present.rounds.map((one, i) => (i === place ? { ...one, ...part } : one)) }));
  /** A row of twigs is laid where the floor has none and twigs are to be climbed. */
  const ask = (goal: Goal, floor: string): void =>
    edit((present) => withTwigs({ ...present, rounds: present.rounds.map((one, i) => (i === place ? { ...one, goal, floor } : one)) }));
  /** Moves the round, and stays with it: pressed again it moves on. */
  const move = (by: -1 | 1, button: HTMLElement): void => {
    edit((present) => {
      const next = [...present.rounds];
      [next[place], next[place + by]] = [next[place + by]!, next[place]!];
      return { ...present, rounds: next };
    });
    requestAnimationFrame(() => button.focus());
  };
  return (
    <Drafts value={null}>
      <div className={fieldStyles.pair}>
        <TextEntry label="Name of the round" value={round.name} maxLength={80} check={notBlank} onChange={(name) => change({ name })} />
        <ChoiceSelect
          label="Floor"
          value={round.floor}
          options={Object.fromEntries(floors.map(({ name }) => [name, name]))}
          onChange={(floor) => ask(round.goal, floor)}
        />
      </div>
      <GoalFields goal={round.goal} onChange={(goal) => ask(goal, round.floor)} />
      <div className={fieldStyles.pair}>
        {!choosesLoad(round.goal) && (
          <QuantityField
            size="small"
            label="Load that each car carries"
            quantity="weight"
            value={round.load}
            check={(value) => (value >= 0 && value <= 5 ? null : 'Must be 0 to 5000 g.')}
            onChange={(load) => change({ load })}
          />
        )}
        <QuantityField
          size="small"
          label="Runs each"
          quantity="count"
          value={round.runs}
          check={(value) => (Number.isInteger(value) && value >= 1 && value <= MOST_RUNS ? null : `Must be 1 to ${MOST_RUNS}, whole runs.`)}
          onChange={(runs) => change({ runs })}
        />
        <ChoiceSelect label="What counts" value={round.counts} options={COUNTS} onChange={(counts) => change({ counts })} />
        {round.counts !== 'best' && (
          <ChoiceSelect
            label="A missing run"
            value={round.missing ?? 'worst'}
            options={MISSING}
            onChange={(missing) => change({ missing })}
          />
        )}
        <TextEntry
          label="Points by place, none for no points"
          value={round.points.join(', ')}
          placeholder="10, 7, 5"
          check={(text) => {
            const read = readPoints(text);
            return read.kind === 'unclear' ? read.message : null;
          }}
          onChange={(text) => {
            const read = readPoints(text);
            if (read.kind === 'read') change({ points: read.value });
          }}
        />
      </div>
      <FormControlLabel
        control={<Checkbox size="small" checked={round.inOnePiece} onChange={(_event, inOnePiece) => change({ inOnePiece })} />}
        label="And stays in one piece: a car that comes apart does not count"
      />
      <div className={styles.buttons}>
        <Button size="small" disabled={place === 0} onClick={({ currentTarget }) => move(-1, currentTarget)}>
          Move up
        </Button>
        <Button size="small" disabled={place === rounds.length - 1} onClick={({ currentTarget }) => move(1, currentTarget)}>
          Move down
        </Button>
        <Button
          size="small"
          disabled={rounds.length === 1}
          onClick={() => edit((present) => ({ ...present, rounds: present.rounds.filter((_one, i) => i !== place) }))}
        >
          Remove round
        </Button>
      </div>
    </Drafts>
  );
}
