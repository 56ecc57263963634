import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { CarDesign, MotorKind } from '../../../core/car/car-design.ts';
import { MOTORS } from '../../../core/car/motors/motors.ts';
import { newCar } from '../../../core/car/new-car.ts';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import NextStep from '../../open-car/next-step.tsx';
import { OpenedCar } from '../../open-car/opened-car.tsx';
import { StationHead } from '../../open-car/station-head.tsx';
import plain from '../../ui/plain.module.css';
import { Views } from '../../ui/views.tsx';
import { ClassView } from './class-view.tsx';
import { IdeasView } from './ideas-view.tsx';
import styles from './learn.module.css';
import { PredictFirst } from './predict-first.tsx';
import { GlossaryView } from './glossary-view.tsx';

const VIEWS = [
  ['first', 'Predict first'],
  ['ideas', 'Ten ideas'],
  ['words', 'Glossary'],
  ['class', 'For a class'],
] as const;

/** Knowing why: say first, then see, on this car. */
export const LearnPage = () => (
  <OpenedCar>
    {(carId, design) => (
      <div key={carId} className={plain.page}>
        <StationHead name={design.name} onward={{ to: `/cars/${carId}/design`, words: 'To the design' }} />
        <Learn design={design} after={<NextStep carId={carId} design={design} />} />
      </div>
    )}
  </OpenedCar>
);

const KINDS = Object.fromEntries(Object.entries(MOTORS).map(([kind, { name }]) => [kind, name])) as Readonly<Record<MotorKind, string>>;

/** The same on an example, for whoever has no car yet or wonders about another kind. */
export function ExamplePage() {
  const [kind, setKind] = useState<MotorKind>('lever');
  const design = useMemo(() => newCar('Example car', kind), [kind]);
  return (
    <div className={plain.page}>
      <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 3, mb: 4 }}>
        <Typography variant="h1">{design.name}</Typography>
        <Typography color="text.secondary" sx={{ mr: 'auto' }}>
          to learn from
        </Typography>
        <ChoiceSelect label="Motor" value={kind} options={KINDS} onChange={setKind} />
        <UnitSwitch />
      </Box>
      <Learn
        key={kind}
        design={design}
        after={
          <p className={plain.text}>
            To see the figures of your own car, <Link to="/">create one in the Garage</Link>.
          </p>
        }
      />
    </div>
  );
}

interface LearnProps {
  readonly design: CarDesign;
  /** What to do then; not on sheets that are printed. */
  readonly after: React.ReactNode;
}
function Learn({ design, after }: LearnProps) {
  const [search] = useSearchParams();
  return (
    <Views label="Topics" views={VIEWS}>
      {(view) => (
        <div className={styles.views}>
          {view === 'first' && <PredictFirst design={design} />}
          {view === 'ideas' && <IdeasView design={design} idea={search.get('idea')} isByLaws={search.get('path') === 'laws'} />}
          {view === 'words' && <GlossaryView design={design} />}
          {view === 'class' ? <ClassView design={design} /> : after}
        </div>
      )}
    </Views>
  );
}
