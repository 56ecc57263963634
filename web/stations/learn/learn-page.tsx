import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { useSearchParams } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { OpenedCar } from '../../open-car/opened-car.tsx';
import { StationHead } from '../../open-car/station-head.tsx';
import { ClassView } from './class-view.tsx';
import { IdeasView } from './ideas-view.tsx';
import { SayFirst } from './say-first.tsx';
import { WordsView } from './words-view.tsx';

const VIEWS = { first: 'Say first', ideas: 'Ten ideas', words: 'Words', class: 'For a class' } as const;
type View = keyof typeof VIEWS;

/** Knowing why: say first, then see, on this car. */
export const LearnPage = () => <OpenedCar>{(carId, design) => <Learn key={carId} carId={carId} design={design} />}</OpenedCar>;

function Learn({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const [search, setSearch] = useSearchParams();
  const asked = search.get('view') as View | null;
  const view: View = asked && asked in VIEWS ? asked : 'first';
  return (
    <Box sx={{ maxWidth: 1180, p: { xs: 3, md: 6 } }}>
      <StationHead name={design.name} where="to learn from" onward={{ to: `/cars/${carId}/design`, words: 'To the design' }} />
      <Tabs
        value={view}
        onChange={(_event, next: View) => setSearch({ view: next }, { replace: true })}
        variant="scrollable"
        aria-label="What to learn"
      >
        {(Object.entries(VIEWS) as [View, string][]).map(([key, label]) => (
          <Tab key={key} value={key} label={label} id={`learn-tab-${key}`} aria-controls="learn-view" />
        ))}
      </Tabs>
      <Box id="learn-view" role="tabpanel" aria-labelledby={`learn-tab-${view}`} sx={{ pt: 4 }}>
        {view === 'first' && <SayFirst design={design} />}
        {view === 'ideas' && <IdeasView design={design} idea={search.get('idea')} />}
        {view === 'words' && <WordsView design={design} />}
        {view === 'class' && <ClassView design={design} />}
      </Box>
    </Box>
  );
}
