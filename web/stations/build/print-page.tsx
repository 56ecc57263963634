import Button from '@mui/material/Button';
import { Link, useParams, useSearchParams } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { useEditCar, useOpenCar, useOpenDesign } from '../../open-car/use-open-car.ts';
import { useVersions } from '../../open-car/use-versions.ts';
import { useUnits } from '../../ui/use-units.ts';
import sheet from '../../ui/sheet.module.css';
import { SheetPicture } from '../../drawing/sheet-picture.tsx';
import { useBuildSheets } from './use-build-sheets.ts';
import { usePaper } from './use-paper.ts';

/** Drawing or templates at full size, a sheet a page. */
export function BuildPrintPage() {
  const carId = useParams().carId!;
  const { missing } = useOpenCar(carId);
  const design = useOpenDesign(carId);
  if (missing) return <NotFoundScreen />;
  if (!design) return <div role="status" aria-busy aria-label="Opening the car" />;
  return <Printed carId={carId} design={design} />;
}

function Printed({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const what = useSearchParams()[0].get('what') === 'templates' ? 'templates' : 'drawing';
  const paper = usePaper();
  const { current } = useVersions(carId, design, useEditCar());
  const units = useUnits();
  const sheets = useBuildSheets(design, what, paper.name, units, {
    version: current?.record.name ?? '',
    crew: paper.crew,
    date: new Date().toISOString().slice(0, 10),
  });
  return (
    <article aria-label={`${what} of ${design.name}, to print`}>
      <div className={sheet.tools}>
        <Button component={Link} to={`/cars/${carId}/build?view=${what}`}>
          To Build
        </Button>
        <Button variant="contained" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <h1 className={sheet.title}>
        {design.name}: {what}
      </h1>
      {sheets.map((one) => (
        <SheetPicture key={one.name} sheet={one} isFullSize />
      ))}
    </article>
  );
}
