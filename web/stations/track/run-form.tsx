import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Brief } from '../../../core/brief/brief.ts';
import { floorChoices } from '../../../core/brief/floor-choices.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { describeFault } from '../../../core/car/fault-words.ts';
import { hasBands, isWoundByFeel } from '../../../core/car/motors/motors.ts';
import { nextRun, runScatter } from '../../../core/predict/next-run.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { formatAbout, formatIn, formatPredictedRange, unitOf, USUAL_HALF_WIDTH } from '../../../core/units/quantity.ts';
import { OBSERVATION_NAMES } from '../../../core/trials/observation-names.ts';
import type { StoredSession } from '../../../core/schema/stored.ts';
import { useUnits } from '../../ui/use-units.ts';
import { Choice } from './choice.tsx';
import { formatWinding } from './describe-run.ts';
import type { SeenThing, TrackForm } from './track-slice.ts';
import { ranAs, windOf, woundAs, type TypedField } from './read-run-form.ts';
import { distanceLabel, MoreOfRun } from './more-of-run.tsx';
import { ResultChoices } from './result-choices.tsx';
import { useRunForm } from './use-run-form.ts';

interface RunFormProps {
  readonly session: StoredSession | null;
  readonly carId: string;
  readonly design: CarDesign;
  readonly brief: Brief | null;
}

/** One run: how it was wound, what the model expects of that, and what came. */
export function RunForm({ carId, design, brief, session }: RunFormProps) {
  const units = useUnits();
  const { form, faults, corrected, cars, change, log, isLogging, cancel } = useRunForm(carId, design, session, brief);
  const ran = useMemo(() => ranAs(form, design, units, brief), [form, design, units, brief]);
  const text = (field: TypedField, label: string, big = false) => (
    <TextField
      label={label}
      value={form[field]}
      onChange={({ target }) => change({ [field]: target.value })}
      error={Boolean(faults[field])}
      helperText={faults[field]}
      slotProps={{
        htmlInput: { inputMode: 'decimal', autoComplete: 'off', 'aria-label': label },
        input: { sx: { typography: 'figures', fontSize: big ? 26 : 16 } },
      }}
    />
  );
  return (
    <Box
      component="form"
      aria-label={form.correcting ? 'Correct a run' : 'Log a run'}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void log();
      }}
      sx={{ display: 'grid', gap: 4 }}
    >
      <Typography variant="h2">{form.correcting ? 'Correct this run' : 'Next run'}</Typography>
      <Choice
        label="Winding"
        value={form.wind}
        options={windingOptions(corrected?.record.design ?? design)}
        onChange={(wind) => change({ wind })}
      />
      {form.wind === 'turns' && text('turns', 'Turns of the drive axle')}
      <Expectation
        design={corrected ? woundAs(form, corrected.record.design) : typeof ran === 'string' ? design : ran}
        form={form}
        cars={cars}
      />
      <ResultChoices design={design} form={form} change={change} />
      {form.outcome !== 'did-not-start' && (
        <>
          {form.measuredBy === 'marks' && text('marks', 'Tape marks or tiles passed')}
          {text('distance', distanceLabel(form.measuredBy, unitOf('distance', units)), true)}
          {form.outcome === 'hit-wall' && form.endedBy !== 'mark' && text('turnsLeft', 'Turns left on the axle (if seen)')}
          {text('time', 'Time, s (if taken)')}
          {form.film && (
            <Typography variant="body2" role="status">
              From the film: {form.splits.length} times along the run{form.film.slip && ', and the slip at the launch'}.
            </Typography>
          )}
        </>
      )}
      <Box role="group" aria-label="What you saw" sx={{ display: 'flex', flexWrap: 'wrap', gap: 2 }}>
        {(Object.entries(OBSERVATION_NAMES) as [SeenThing, string][]).map(([thing, words]) => {
          const isSeen = form.seen.includes(thing);
          return (
            <SeenChip
              key={thing}
              words={words}
              isSeen={isSeen}
              onToggle={() => change({ seen: isSeen ? form.seen.filter((other) => other !== thing) : [...form.seen, thing] })}
            />
          );
        })}
        <SeenChip
          words="fell apart"
          isSeen={form.inOnePiece === 'no'}
          onToggle={() => change({ inOnePiece: form.inOnePiece === 'no' ? '' : 'no' })}
        />
      </Box>
      <MoreOfRun
        form={form}
        text={text}
        change={change}
        hasBands={hasBands(design.motor)}
        floors={form.correcting ? [] : floorChoices(design.floor, brief)}
      />
      <TextField
        label="Note"
        multiline
        minRows={2}
        value={form.note}
        onChange={({ target }) => change({ note: target.value })}
        slotProps={{ htmlInput: { maxLength: 2000 } }}
      />
      <Box
        sx={{
          display: 'flex',
          gap: 2,
          ...{ position: { xs: 'sticky', md: 'static' }, bottom: 0, zIndex: 5, py: { xs: 3, md: 0 } },
          bgcolor: { xs: 'background.default', md: 'transparent' },
        }}
      >
        <Button type="submit" variant="contained" disabled={isLogging} fullWidth sx={{ minHeight: 52, fontSize: 17 }}>
          {form.correcting ? 'Save the correction' : 'Log this run'}
        </Button>
        {form.correcting && (
          <Button onClick={cancel} sx={{ minHeight: 52 }}>
            Cancel
          </Button>
        )}
      </Box>
      <Typography variant="caption" color="text.secondary">
        Wind and release from behind and to one side. Keep fingers out of the lever’s path, and faces and pets off the track. School, club
        and local safety rules come first.
      </Typography>
    </Box>
  );
}

interface SeenChipProps {
  readonly words: string;
  readonly isSeen: boolean;
  readonly onToggle: () => void;
}

/** Something that was seen of the run, or not: one press. */
const SeenChip = ({ words, isSeen, onToggle }: SeenChipProps) => (
  <Chip
    label={isSeen ? `✓ ${words}` : words}
    aria-pressed={isSeen}
    color={isSeen ? 'primary' : 'default'}
    variant={isSeen ? 'filled' : 'outlined'}
    onClick={onToggle}
    sx={{ height: 44, borderRadius: 22 }}
  />
);

/** How a run can have been wound: bands also by feel, by a number of turns that nobody counted. */
const windingOptions = (design: CarDesign): Partial<Record<TrackForm['wind'], string>> & Record<'full', string> =>
  isWoundByFeel(design)
    ? { full: 'until tight, not counted', turns: 'number of turns' }
    : { full: 'fully wound', turns: 'number of turns', ...(hasBands(design.motor) && { tight: 'until tight, not counted' }) };

interface ExpectationProps {
  readonly design: CarDesign;
  readonly form: TrackForm;
  /** Of a car that never ran: what 8 in 10 cars built like it lie between, as fractions of what is predicted. */
  readonly cars: { readonly low: number; readonly high: number } | null;
}

/** The prediction for exactly this wind and floor. */
function Expectation({ design, form, cars }: ExpectationProps) {
  const units = useUnits();
  const wind = useMemo(() => windOf(form, units), [form, units]);
  const prediction = useMemo(() => (typeof wind === 'string' ? null : predictRun(design, wind)), [design, wind]);
  const words = (() => {
    if (typeof wind === 'string' || !prediction)
      return form.turns === '' ? 'Type the number of turns to see the prediction for them.' : String(wind);
    if (prediction.kind === 'refused') return prediction.faults.map((fault) => `It ${describeFault(fault, formatIn(units))}`).join('; ');
    const { distance } = prediction.result;
    const told = `Predicted distance, ${formatWinding(wind)} · ${formatAbout(prediction.result.time, 'time', units)}`;
    const rangeOf = (range: { readonly low: number; readonly high: number }): string =>
      formatPredictedRange(range, 'distance', units, USUAL_HALF_WIDTH * distance);
    return cars
      ? `${told} · Cars built like this: ${rangeOf({ low: cars.low * distance, high: cars.high * distance })} (8 in 10). Its own runs will tell which it is`
      : `${told} · Next run: ${rangeOf(nextRun(distance, runScatter(design, wind)))} (8 in 10)`;
  })();
  return (
    <Box role="status" sx={{ bgcolor: 'background.paper', borderRadius: 2, p: 3 }}>
      {prediction?.kind === 'ran' && (
        <Typography
          variant="h1"
          component="p"
          sx={{ color: 'secondary.main', fontSize: 32, lineHeight: 1.1 }}
          data-testid="expected-distance"
        >
          {formatAbout(prediction.result.distance, 'distance', units)}
        </Typography>
      )}
      <Typography variant="body2" color="text.secondary">
        {words}
      </Typography>
    </Box>
  );
}
