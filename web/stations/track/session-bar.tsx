import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { startTransition, useState } from 'react';
import { Link } from 'react-router';
import type { Brief } from '../../../core/brief/brief.ts';
import { floorChoices } from '../../../core/brief/floor-choices.ts';
import { readPoints } from '../../../core/brief/parse-lines.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { describeFloor } from '../../../core/car/floors.ts';
import { isSameContent } from '../../../core/car/same-design.ts';
import { formatIn, formatNumber, formatQuantity, unitOf, unitValue } from '../../../core/units/quantity.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { useEndSharingMutation } from '../../app/api/sharing-api.ts';
import { useIsOwner, useRole } from '../../app/use-role.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { QuantityField } from '../../ui/quantity-field.tsx';
import { SideDrawer } from '../../ui/side-drawer.tsx';
import { TextEntry } from '../../ui/text-entry.tsx';
import plain from '../../ui/plain.module.css';
import { withinLimits } from '../../ui/number-limits.ts';
import { useUnits } from '../../ui/use-units.ts';
import { LetPhoneJoin } from '../../devices/let-phone-join.tsx';
import styles from './track.module.css';
import type { useSession } from './use-session.ts';
import { useIsPhone } from '../../ui/use-is-phone.ts';

interface SessionBarProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly brief: Brief | null;
  readonly session: ReturnType<typeof useSession>;
}

/** Whoever joins here logs runs: a crew of one car, an official of every car. */
const LOGGERS = ['crew', 'official'] as const;

/** What the session is, and what can be done with it: on a phone behind a press. */
function Folded({ summary, children }: { readonly summary: React.ReactNode; readonly children: React.ReactNode }) {
  const isPhone = useIsPhone();
  if (!isPhone)
    return (
      <div className={styles.session}>
        <span className={plain.text}>{summary}</span>
        {children}
      </div>
    );
  return (
    <details className={`${styles.session} ${styles.folded}`}>
      <summary className={plain.text}>
        <span>
          <span aria-hidden>▸ </span>
          {summary}
        </span>
      </summary>
      <div>{children}</div>
    </details>
  );
}

/** The session that runs belong to, and the next car of it with one press. */
export function SessionBar({ carId, design, brief, session }: SessionBarProps) {
  const units = useUnits();
  const [isOpen, setOpen] = useState(false);
  const role = useRole();
  const isOwner = useIsOwner();
  const { data: cars } = useListCarsQuery();
  const { current, begin } = session;
  if (!current)
    return (
      <Folded summary="No session: you can log runs without one.">
        {isOwner && (
          <Button size="small" variant="outlined" onClick={() => void begin()}>
            Start a session
          </Button>
        )}
        {session.sessions.length > 0 && (
          <Button size="small" onClick={() => session.goOn(session.sessions.at(-1)!.id)}>
            Continue with {session.sessions.at(-1)!.session.name}
          </Button>
        )}
        <LetPhoneJoin roles={LOGGERS} path={`/cars/${carId}/track`} />
      </Folded>
    );
  const { name, floor, surface, cars: order } = current.session;
  const next = order[(order.indexOf(carId) + 1) % order.length];
  const nextCar = cars?.readable.find(({ id }) => id === next);
  return (
    <Folded
      summary={
        <>
          <strong>{name}</strong> · {floor}
          {surface && `, run on ${describeFloor(surface, formatIn(units))}`}
        </>
      }
    >
      {isOwner && (
        <Button size="small" aria-haspopup="dialog" onClick={() => startTransition(() => setOpen(true))}>
          Change the session
        </Button>
      )}
      {nextCar && next !== carId && role !== 'crew' && (
        <Button size="small" variant="outlined" component={Link} to={`/cars/${next}/track`}>
          Next car: {nextCar.design.name}
        </Button>
      )}
      <LetPhoneJoin roles={LOGGERS} path={`/cars/${carId}/track`} />
      {isOpen && <SessionDrawer design={design} brief={brief} session={session} onClose={() => setOpen(false)} />}
    </Folded>
  );
}

const KNOWN = { unknown: 'not given', yes: 'yes', no: 'no' } as const;
const answerOf = (value: boolean | null): keyof typeof KNOWN => (value === null ? 'unknown' : value ? 'yes' : 'no');
const untold = (key: keyof typeof KNOWN): boolean | null => (key === 'unknown' ? null : key === 'yes');
/** 0 °C, K. */
const ZERO = 273.15;

/** Everything of a session. */
function SessionDrawer({
  design,
  brief,
  session: { current, change: changeSession, goOn },
  onClose,
}: Pick<SessionBarProps, 'design' | 'brief' | 'session'> & { readonly onClose: () => void }) {
  const units = useUnits();
  const [endSharing] = useEndSharingMutation();
  const { data: cars } = useListCarsQuery();
  if (!current) return null;
  const { session } = current;
  const { conditions } = session;
  const choices = floorChoices(design.floor, brief);
  const change = (part: Partial<typeof session>): void => void changeSession((before) => ({ ...before, ...part }));
  const ofConditions = (part: Partial<typeof conditions>): void =>
    void changeSession((before) => ({ ...before, conditions: { ...before.conditions, ...part } }));
  return (
    <SideDrawer title="Session" onClose={onClose}>
      <TextEntry
        label="Name of the session"
        value={session.name}
        maxLength={80}
        check={(text) => (text === '' ? 'Give it a name.' : null)}
        onChange={(name) => change({ name })}
      />
      <TextEntry label="Hall and floor" value={session.floor} maxLength={200} onChange={(floor) => change({ floor })} />
      <ChoiceSelect
        label="Floor of the day"
        value={
          choices.find(({ floor }) => session.surface && isSameContent(floor, session.surface))?.key ?? (session.surface ? 'other' : 'own')
        }
        options={{
          own: 'as the car or its brief says',
          ...(session.surface && { other: describeFloor(session.surface, formatIn(units)) }),
          ...Object.fromEntries(choices.map(({ key, label }) => [key, label])),
        }}
        onChange={(key) => {
          const chosen = choices.find((one) => one.key === key)?.floor;
          void changeSession(({ surface: before, ...session }) => ({
            ...session,
            ...(key === 'other' ? before && { surface: before } : chosen && { surface: chosen }),
          }));
        }}
      />
      <TextEntry label="Measured by" value={session.measuredBy} maxLength={80} onChange={(measuredBy) => change({ measuredBy })} />
      <TextEntry
        label={`Times are taken at, ${unitOf('distance', units)} (6, 12)`}
        value={session.marks.map((at) => formatNumber(at, 'distance', units).replace(/\.?0+$/, '')).join(', ')}
        check={(text) => {
          const read = readPoints(text);
          return read.kind === 'read' && read.value.length <= 20 && read.value.every((at) => at > 0)
            ? null
            : `Write distances in ${unitOf('distance', units)}, as 6, 12: at most 20.`;
        }}
        onChange={(text) => {
          const read = readPoints(text);
          if (read.kind === 'read')
            void change({ marks: [...new Set(read.value.map((at) => at * unitValue('distance', units)))].sort((a, b) => a - b) });
        }}
      />
      <QuantityField
        size="small"
        label="Tape resolution (0: exact)"
        quantity="size"
        value={session.tape}
        check={withinLimits(0, 1, 'm')}
        onChange={(tape) => change({ tape })}
      />
      <QuantityField
        size="small"
        label="Stopwatch resolution"
        quantity="time"
        value={session.watch}
        check={withinLimits(0, 5, 's')}
        onChange={(watch) => change({ watch })}
      />
      <QuantityField
        size="small"
        label="Distance between tape marks or tiles (0: none)"
        quantity="distance"
        value={session.spacing ?? 0}
        check={withinLimits(0, 100, 'm')}
        onChange={(spacing) => change({ spacing: spacing > 0 ? spacing : null })}
      />
      <TextEntry
        label="Temperature, °C (optional)"
        value={conditions.temperature === null ? '' : String(Math.round(10 * (conditions.temperature - ZERO)) / 10)}
        check={(text) => (text === '' || (Number(text) >= -50 && Number(text) <= 60) ? null : 'Must be −50 to 60.')}
        onChange={(text) => ofConditions({ temperature: text === '' ? null : Number(text) + ZERO })}
      />
      <ChoiceSelect
        label="Dust on the floor"
        value={answerOf(conditions.dusty)}
        options={KNOWN}
        onChange={(key) => ofConditions({ dusty: untold(key) })}
      />
      <ChoiceSelect
        label="Damp"
        value={answerOf(conditions.damp)}
        options={KNOWN}
        onChange={(key) => ofConditions({ damp: untold(key) })}
      />
      <fieldset className={styles.cars}>
        <legend className={plain.strong}>Cars in running order</legend>
        {(cars?.readable ?? []).map(({ id, design }) => {
          const place = session.cars.indexOf(id);
          return (
            <FormControlLabel
              key={id}
              control={
                <Checkbox
                  size="small"
                  checked={place >= 0}
                  onChange={(_event, isIn) =>
                    void change({ cars: isIn ? [...session.cars, id] : session.cars.filter((other) => other !== id) })
                  }
                />
              }
              label={place >= 0 ? `${place + 1}. ${design.name}` : design.name}
            />
          );
        })}
      </fieldset>
      <p className={`${plain.caption} ${plain.muted}`}>
        A distance is taken to {formatQuantity(session.tape, 'size', units)}, a time to {formatQuantity(session.watch, 'time', units)}.
      </p>
      <Button
        variant="outlined"
        onClick={() => {
          // Phones joined for this session.
          void endSharing();
          goOn(null);
          onClose();
        }}
      >
        End the session
      </Button>
    </SideDrawer>
  );
}
