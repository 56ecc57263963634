import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { ownPartOfKit, partOfKit } from '../../../core/car/kit-parts.ts';
import type { CrewClass } from '../../../core/schema/generated/crew-class.ts';
import type { StoredClass } from '../../../core/schema/stored.ts';
import { newId } from '../../app/new-id.ts';
import { STATION_NAMES } from '../../app/station-names.ts';
import { useOwnParts } from '../../open-car/use-own-parts.ts';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import styles from './class.module.css';
import { namesIn } from './crew-names.ts';
import type { ChangeClass } from './use-class.ts';

interface ClassViewProps {
  readonly stored: StoredClass;
  readonly change: ChangeClass;
}
type Closable = CrewClass['closed'][number];
const CLOSABLE: Readonly<Record<Closable, string>> = { ...STATION_NAMES, meet: 'Meet' };

/** What a class was set up with: name, days, crews, stations and kit. */
export function SettingsView({ stored, change }: ClassViewProps) {
  const { name, lessons, closed, brief, startingCar } = stored.class;
  return (
    <div className={styles.cards}>
      <section aria-labelledby="class-title" className={styles.card}>
        <h2 id="class-title" className={plain.heading}>
          Class
        </h2>
        <TextEntry
          label="Name of the class"
          value={name}
          maxLength={80}
          check={(typed) => (typed === '' ? 'Type a name.' : null)}
          onChange={(next) => void change((present) => ({ ...present, name: next }))}
        />
        <TextEntry
          label="Days of the lessons"
          value={lessons.join(', ')}
          placeholder="2026-12-01, 2026-12-08"
          check={(typed) => ('problem' in daysIn(typed) ? (daysIn(typed) as { problem: string }).problem : null)}
          onChange={(typed) => {
            const read = daysIn(typed);
            if ('days' in read) void change((present) => ({ ...present, lessons: [...read.days] }));
          }}
        />
        <p className={plain.text}>Brief: {brief.name}</p>
        <p className={plain.text}>Starting car: {startingCar?.name ?? 'none'}</p>
      </section>
      <Crews stored={stored} change={change} />
      <section aria-labelledby="stations-title" className={styles.card}>
        <h2 id="stations-title" className={plain.heading}>
          Stations open to crews
        </h2>
        {(Object.keys(CLOSABLE) as Closable[]).map((station) => (
          <FormControlLabel
            key={station}
            control={
              <Checkbox
                size="small"
                checked={!closed.includes(station)}
                onChange={({ target }) =>
                  void change((present) => ({
                    ...present,
                    closed: target.checked ? present.closed.filter((one) => one !== station) : [...present.closed, station],
                  }))
                }
              />
            }
            label={CLOSABLE[station]}
          />
        ))}
      </section>
      <Kit stored={stored} change={change} />
    </div>
  );
}

/** Days as typed, with commas between. */
function daysIn(typed: string): { readonly days: readonly string[] } | { readonly problem: string } {
  const days = typed.split(/[\s,;]+/).filter((day) => day !== '');
  const wrong = days.find((day) => !/^\d{4}-\d\d-\d\d$/.test(day) || Number.isNaN(Date.parse(day)));
  return wrong === undefined ? { days: [...new Set(days)] } : { problem: `“${wrong}” is not a day such as 2026-12-01.` };
}

function Crews({ stored, change }: ClassViewProps) {
  const { crews } = stored.class;
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const add = async (): Promise<void> => {
    const read = namesIn(
      typed,
      crews.map(({ name }) => name),
    );
    if ('problem' in read) return setProblem(read.problem);
    setProblem(null);
    const added = read.names.map((name) => ({ id: newId(), name }));
    if (await change((present) => ({ ...present, crews: [...present.crews, ...added] }))) setTyped('');
  };
  return (
    <section aria-labelledby="crews-title" className={styles.card}>
      <h2 id="crews-title" className={plain.heading}>
        Crews
      </h2>
      {crews.map(({ id, name }) => (
        <div key={id} className={styles.row}>
          <TextEntry
            label="Crew"
            named={`Crew ${name}`}
            value={name}
            maxLength={80}
            check={(next) =>
              next === ''
                ? 'Type a name.'
                : crews.some((other) => other.id !== id && other.name.toLowerCase() === next.toLowerCase())
                  ? 'Another crew has this name.'
                  : null
            }
            onChange={(next) =>
              void change((present) => ({
                ...present,
                crews: present.crews.map((crew) => (crew.id === id ? { ...crew, name: next } : crew)),
              }))
            }
          />
          <Button
            size="small"
            aria-label={`Remove crew ${name}`}
            onClick={() => void change((present) => ({ ...present, crews: present.crews.filter((crew) => crew.id !== id) }))}
          >
            Remove
          </Button>
        </div>
      ))}
      <TextField
        multiline
        size="small"
        label="More crews, one name a line"
        value={typed}
        onChange={({ target }) => setTyped(target.value)}
        error={problem !== null}
        helperText={problem}
      />
      <div>
        <Button variant="outlined" disabled={typed.trim() === ''} onClick={() => void add()}>
          Add crews
        </Button>
      </div>
    </section>
  );
}

function Kit({ stored, change }: ClassViewProps) {
  const { kit, brief } = stored.class;
  const { parts } = useOwnParts();
  const countOf = (name: string): number => kit.find((part) => part.name === name)?.count ?? 0;
  const setCount = (part: CrewClass['kit'][number], count: number): void =>
    void change((present) => {
      const others = present.kit.filter((one) => one.name !== part.name);
      return { ...present, kit: count === 0 ? others : [...others, { ...part, count }] };
    });
  const own = parts.map(({ part }) => part);
  const listed = [...own, ...kit.filter(({ name }) => !own.some((part) => part.name === name))];
  const fromBrief = brief.rules.kit.flatMap(({ name, count }) => {
    const like = partOfKit(name);
    return like ? [ownPartOfKit(name, count, like)] : [];
  });
  return (
    <section aria-labelledby="kit-title" className={styles.card}>
      <h2 id="kit-title" className={plain.heading}>
        Kit of each crew
      </h2>
      <p className={`${plain.text} ${plain.muted}`}>
        How many of your parts each crew finds in its My parts. A crew that has begun keeps what it has.
      </p>
      {listed.length === 0 && <p className={plain.text}>Add parts under “My parts” in Design first.</p>}
      {listed.map((part) => (
        <div key={part.name} className={styles.row}>
          <TextEntry
            label="Count"
            named={`Count of ${part.name}`}
            value={String(countOf(part.name))}
            sx={{ width: 90 }}
            check={(typed) => (/^\d{1,3}$/.test(typed) ? null : '0 to 999')}
            onChange={(typed) => setCount(part, Number(typed))}
          />
          <span className={plain.text}>{part.name}</span>
        </div>
      ))}
      {fromBrief.length > 0 && (
        <div>
          <Button
            variant="outlined"
            onClick={() =>
              void change((present) => ({
                ...present,
                kit: [...present.kit.filter(({ name }) => !fromBrief.some((part) => part.name === name)), ...fromBrief],
              }))
            }
          >
            Add the kit of the brief
          </Button>
        </div>
      )}
    </section>
  );
}
