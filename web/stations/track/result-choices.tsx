import { goalOf } from '../../../core/brief/goal.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { formatIn, plainly } from '../../../core/units/quantity.ts';
import { useUnits } from '../../ui/use-units.ts';
import { Choice } from './choice.tsx';
import { noStartOf, seenOfNoStart, type NoStart } from './no-start.ts';
import type { TrackForm } from './track-slice.ts';

interface ResultChoicesProps {
  readonly design: CarDesign;
  readonly form: TrackForm;
  readonly change: (change: Partial<TrackForm>) => void;
}

/** How a run ended: two presses tell all that needs no typing. A run past the mark that counts is "at least" that mark. */
export function ResultChoices({ design, form, change }: ResultChoicesProps) {
  const units = useUnits();
  const goal = goalOf(design.aim);
  const mark = 'distance' in goal ? plainly(formatIn(units))(goal.distance, 'distance') : null;
  return (
    <>
      <Choice<TrackForm['outcome']>
        label="Result"
        value={form.outcome}
        options={{ stopped: 'it stopped at', 'hit-wall': 'hit the wall at', 'did-not-start': 'did not start' }}
        onChange={(outcome) => change({ outcome })}
      />
      {form.outcome === 'hit-wall' && (
        <Choice<TrackForm['endedBy']>
          label="What ended it"
          value={form.endedBy}
          options={{ wall: 'the wall', mark: 'it passed the mark', side: 'something at the side' }}
          onChange={(endedBy) =>
            change({ endedBy, ...(endedBy === 'mark' && form.distance === '' && mark !== null && { distance: mark }) })
          }
        />
      )}
      {form.outcome === 'did-not-start' && (
        <Choice<NoStart>
          label="What it did"
          value={noStartOf(form.seen)}
          options={{ stayed: 'stayed put', spun: 'spun on the spot', backwards: 'ran backwards' }}
          onChange={(did) => change({ seen: seenOfNoStart(form.seen, did) })}
        />
      )}
    </>
  );
}
