import { Link } from 'react-router';
import { formatChance } from '../../../core/brief/judge.ts';
import { formatQuantity } from '../../../core/units/quantity.ts';
import { useChooseHandInMutation, useGetCrewClassQuery, useListCrewCarsQuery, useListForecastsQuery } from '../../app/api/classes-api.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { problemLine } from '../../app/api/problem.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { describeLesson } from '../../crew-space/describe-lesson.ts';
import { CarPortrait } from '../../drawing/car-portrait.tsx';
import plain from '../../ui/plain.module.css';
import { StationSkeleton } from '../../ui/station-skeleton.tsx';
import { useUnits } from '../../ui/use-units.ts';
import { WordTable } from '../../ui/word-table.tsx';
import styles from './class.module.css';

const day = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' });

/** The class of a crew: what its leader says, which car it hands in, and what is opened of the others. */
export function CrewClassPage() {
  const { data, error } = useGetCrewClassQuery();
  const { data: cars } = useListCarsQuery();
  const [choose] = useChooseHandInMutation();
  const dispatch = useAppDispatch();
  if (error && !data) return <NotFoundScreen />;
  if (!data) return <StationSkeleton layout="rows" label="Reading the class" />;
  const { name, crew, crews, brief, lessons, message, lesson, handedInAt, opened, meet, carId } = data;
  const handIn = async (id: string): Promise<void> => {
    const answer = await choose(id);
    if (answer.error) dispatch(toasted(problemLine(answer.error), { tone: 'stop' }));
  };
  const own = cars?.readable ?? [];
  return (
    <div className={plain.page}>
      <header className={styles.row}>
        <h1>{crew}</h1>
        <span className={`${plain.text} ${plain.muted}`}>
          {name}, {crews} {crews === 1 ? 'crew' : 'crews'}
        </span>
      </header>
      <div className={styles.view}>
        <div className={styles.cards}>
          <section aria-labelledby="told-title" className={styles.card}>
            <h2 id="told-title" className={plain.heading}>
              From your leader
            </h2>
            <p className={plain.text}>{message ? message.text : 'No message yet.'}</p>
            {lesson && (
              <p className={plain.text}>
                Lesson: <Link to={describeLesson(lesson).to}>{describeLesson(lesson).words}</Link>
              </p>
            )}
            <p className={plain.text}>Brief: {brief}</p>
            {lessons.length > 0 && <p className={plain.text}>Lessons: {lessons.map((one) => day.format(new Date(one))).join('; ')}</p>}
          </section>
          <section aria-labelledby="hand-in-title" className={styles.card}>
            <h2 id="hand-in-title" className={plain.heading}>
              Your car for the meet
            </h2>
            {handedInAt ? (
              <p className={plain.text}>✓ {own.find(({ id }) => id === carId)?.design.name ?? 'Your car'} is handed in.</p>
            ) : own.length === 0 ? (
              <p className={plain.text}>
                You have no car yet. <Link to="/">Create one in the Garage.</Link>
              </p>
            ) : (
              <>
                <ChoiceSelect
                  label="Car to hand in"
                  value={carId ?? own[0]!.id}
                  options={Object.fromEntries(own.map(({ id, design }) => [id, design.name]))}
                  onChange={(id) => void handIn(id)}
                />
                <p className={`${plain.text} ${plain.muted}`}>Your leader hands it in before the meet. Until then you can change it.</p>
              </>
            )}
            {meet && (
              <p className={plain.text}>
                <Link to={`/meets/${meet}/board`}>Follow the meet</Link>
              </p>
            )}
          </section>
        </div>
        {opened.forecasts && <Forecasts />}
        {opened.cars && <AllCars />}
      </div>
    </div>
  );
}

function Forecasts() {
  const units = useUnits();
  const { data } = useListForecastsQuery();
  if (!data) return null;
  return (
    <section aria-labelledby="forecasts-title" className={styles.part}>
      <h2 id="forecasts-title" className={plain.heading}>
        Forecasts
      </h2>
      <WordTable
        head={['crew', 'car', 'chance', 'furthest so far']}
        rows={data.map(({ crew, car, chance, best }) => [
          crew,
          car ?? '–',
          chance === null ? '–' : formatChance(chance, units),
          best === null ? '–' : formatQuantity(best, 'distance', units),
        ])}
      />
    </section>
  );
}

function AllCars() {
  const { data } = useListCrewCarsQuery();
  if (!data) return null;
  return (
    <section aria-labelledby="cars-title" className={styles.part}>
      <h2 id="cars-title" className={plain.heading}>
        All cars
      </h2>
      <div className={styles.cards}>
        {data.map(({ crew, design }) => (
          <figure key={crew} className={styles.card} style={{ margin: 0 }}>
            <CarPortrait design={design} className={styles.picture} />
            <figcaption className={plain.text}>
              <strong>{design.name}</strong>, {crew}
            </figcaption>
          </figure>
        ))}
      </div>
    </section>
  );
}
