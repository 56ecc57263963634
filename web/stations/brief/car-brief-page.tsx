import Box from '@mui/material/Box';
import { useParams } from 'react-router';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { useBriefOf } from '../../open-car/design-with-brief.ts';
import { CarConflict } from '../../open-car/car-conflict.tsx';
import NextStep from '../../open-car/next-step.tsx';
import { useEditCar, useOpenCar, useOpenDesign } from '../../open-car/use-open-car.ts';
import { StationSkeleton } from '../../ui/station-skeleton.tsx';
import { NewBrief } from './new-brief.tsx';
import { BriefStation } from './brief-page.tsx';

/** The brief that a car works to; or where it gets one. */
export function CarBriefPage() {
  const carId = useParams().carId!;
  const { isOpen, missing } = useOpenCar(carId);
  if (missing) return <NotFoundScreen />;
  return isOpen ? <CarBrief key={carId} carId={carId} /> : <StationSkeleton layout="entry" label="Opening the car" />;
}

function CarBrief({ carId }: { readonly carId: string }) {
  const design = useOpenDesign(carId);
  const edit = useEditCar();
  const worksTo = useBriefOf(design ?? {});
  if (!design) return null;
  const leave = (): void => edit(({ brief: _left, ...car }) => car);
  return (
    <>
      {worksTo ? (
        <BriefStation key={worksTo.id} briefId={worksTo.id} carId={carId} more={[[`Choose another brief for ${design.name}`, leave]]} />
      ) : (
        <NewBrief
          title={`Choose a brief for ${design.name}`}
          drive={design.motor.kind}
          onChosen={(id) => edit((car) => ({ ...car, brief: { id, round: 0 } }))}
        />
      )}
      <Box sx={{ px: { xs: 3, md: 6 }, pb: 6, displayPrint: 'none' }}>
        <NextStep carId={carId} design={design} />
      </Box>
      <CarConflict />
    </>
  );
}
