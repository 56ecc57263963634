import { useCallback, useState, type ComponentProps } from 'react';
import { goalRecord } from '../../../core/brief/goals.ts';
import { describeResult } from '../../../core/meet/describe-results.ts';
import type { MeetOutcome } from '../../../core/meet/meet.ts';
import type { Heat } from '../../../core/meet/order.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { heatKey } from './coming-heats.tsx';
import styles from './meet.module.css';
import laid from './run-view.module.css';
import { OrderOfArrival } from './order-of-arrival.tsx';
import { OutcomeFields } from './outcome-fields.tsx';
import { RunningCar } from './running-car.tsx';
import { TimePanel, type Timed } from './time-panel.tsx';
import { isResultOf, type OpenMeet, type RunPlace } from './use-meet.ts';

/** Under which name what is typed of a run is stored. */
export const typedName = (meetId: string, heat: Heat, entry: string): string => `${meetId} ${heatKey(heat)} ${entry}`;

/** Whether something is typed of a car of a heat. */
export interface ToldTyping {
  readonly heat: Heat;
  readonly entry: string;
  readonly isTyping: boolean;
}

interface RunningHeatProps {
  readonly meetId: string;
  readonly open: OpenMeet;
  readonly heat: Heat;
  /** Whether a run of a round is of several heats. */
  readonly hasHeats: boolean;
  readonly onTyping: (typing: ToldTyping) => void;
  readonly onSave: (place: RunPlace, outcome: MeetOutcome) => Promise<boolean>;
}

/** The cars at the line and their results, each to be written as it stops; and a watch or gates that time them. */
export function RunningHeat({ meetId, open, heat, hasHeats, onTyping, onSave }: RunningHeatProps) {
  const units = useUnits();
  const { data } = useListCarsQuery();
  const [timed, setTimed] = useState<Readonly<Record<string, Timed>>>({});
  const { results } = open;
  const meet = open.meet!;
  const round = meet.brief.rounds[heat.round]!;
  const cars = heat.cars.flatMap(({ entry: id, lane }) => {
    const entry = meet.entries.find((one) => one.id === id);
    const design = data?.readable.find((car) => car.id === entry?.carId)?.design ?? null;
    return entry ? [{ entry, lane, design }] : [];
  });
  const waiting = cars.filter(
    ({ entry }) => !results.some((result) => isResultOf({ entry: entry.id, round: heat.round, run: heat.run }, result)),
  );
  return (
    <section aria-labelledby="now-title" className={styles.part}>
      <h2 id="now-title" className={plain.heading}>
        Now: {round.name}, run {heat.run + 1} of {round.runs}
        {hasHeats && `, heat ${heat.heat + 1}`}
      </h2>
      <div className={laid.lanes}>
        {cars.map(({ entry, lane, design }) => {
          const standing = results.find((result) => isResultOf({ entry: entry.id, round: heat.round, run: heat.run }, result));
          return (
            <div key={entry.id} className={styles.card}>
              <RunningCar meet={meet} entry={entry} lane={lane} round={heat.round} results={results} design={design} />
              <RunOf
                entry={entry.id}
                heat={heat}
                storedAs={typedName(meetId, heat, entry.id)}
                round={round}
                hasPenalty={meet.brief.rules.penalty !== undefined}
                of={entry.car}
                standing={standing ? describeResult(meet, standing.result, units) : null}
                timed={timed[entry.id] ?? null}
                onTyping={onTyping}
                onSave={(outcome) => onSave({ entry: entry.id, round: heat.round, run: heat.run, lane }, outcome)}
              />
            </div>
          );
        })}
      </div>
      {goalRecord(round.goal).quantity === 'time' && waiting.length > 1 && (
        <OrderOfArrival
          cars={waiting.map(({ entry, lane }) => ({ entry: entry.id, car: entry.car, lane }))}
          onSave={(entry, arrived) => {
            const { lane } = waiting.find((one) => one.entry.id === entry)!;
            return onSave({ entry, round: heat.round, run: heat.run, lane }, { kind: 'ran', arrived });
          }}
        />
      )}
      <TimePanel
        name={`${meetId} ${heatKey(heat)}`}
        round={round}
        cars={cars.map(({ entry, design }) => ({ entry: entry.id, car: entry.car, design }))}
        onTimed={(entry, ofRun) => setTimed((before) => ({ ...before, [entry]: ofRun }))}
      />
    </section>
  );
}

interface RunOfProps extends Omit<ComponentProps<typeof OutcomeFields>, 'onTyping'> {
  readonly heat: Heat;
  readonly entry: string;
  readonly onTyping: (typing: ToldTyping) => void;
}
/** The run of one car of a heat. */
function RunOf({ heat, entry, onTyping, ...fields }: RunOfProps) {
  const reportTyping = useCallback((isTyping: boolean) => onTyping({ heat, entry, isTyping }), [heat, entry, onTyping]);
  return <OutcomeFields {...fields} onTyping={reportTyping} />;
}
