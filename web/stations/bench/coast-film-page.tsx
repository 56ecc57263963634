import { useNavigate } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { FilmPageFrame } from '../../film/film-page-frame.tsx';
import { FilmWork } from '../../film/film-work.tsx';
import { OpenedCar } from '../../open-car/opened-car.tsx';
import { useTypedReadings } from './use-typed-readings.ts';

/** Coasting measured from a film, for the table of the bench. */
export const CoastFilmPage = () => <OpenedCar>{(carId, design) => <CoastFromFilm key={carId} carId={carId} design={design} />}</OpenedCar>;

/** A reading is known to one division of its clock, whose standard deviation is a twelfth of it, root. */
const DIVISIONS = Math.sqrt(12);
const NO_MARKS: readonly number[] = [];

function CoastFromFilm({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const navigate = useNavigate();
  const readings = useTypedReadings(carId, 'coast');
  const bench = `/cars/${carId}/bench?measure=coast`;
  return (
    <FilmPageFrame title={`${design.name}: coasting from a film`} back={{ to: bench, words: 'Back to the bench' }}>
      <FilmWork
        carId={carId}
        design={design}
        wind={{ kind: 'full' }}
        marks={NO_MARKS}
        purpose="coast"
        onAccept={({ coasting }) => {
          if (!coasting) return;
          const rows = coasting.marks.map((mark, i) => ({
            marks: `${mark.toFixed(3)} m`,
            times: coasting.times[i]!.toFixed(4),
          }));
          readings.fill(rows, readings.typed.once, Math.max(DIVISIONS * coasting.deviation, 1e-3).toFixed(3));
          void navigate(bench);
        }}
      />
    </FilmPageFrame>
  );
}
