import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Slider from '@mui/material/Slider';
import { useMemo, useState } from 'react';
import type { CarDesign, Wind } from '../../core/car/car-design.ts';
import { filmedCoasting, type FilmedCoasting, type FilmedRun } from '../../core/film/filmed-run.ts';
import { TAPED } from '../../core/rig/simulated-phone.ts';
import { seenAtPlace } from '../../core/film/measured-film.ts';
import type { Slip } from '../../core/film/slip.ts';
import { predictRun } from '../../core/predict/predict-run.ts';
import { formatIn } from '../../core/units/quantity.ts';
import { Chart } from '../charts/chart.tsx';
import { Facts } from '../ui/facts.tsx';
import { FileButton } from '../ui/file-button.tsx';
import { downloadJson } from '../ui/file-exchange.ts';
import plain from '../ui/plain.module.css';
import { useFileDrop } from '../ui/use-file-drop.ts';
import { useTokens } from '../app/theme.ts';
import { useUnits } from '../ui/use-units.ts';
import { filmCurveOption } from './film-curve-option.ts';
import { FilmPicture, type PictureTarget } from './film-picture.tsx';
import styles from './film.module.css';
import { describeFilmEnd, describeFilmFault, filmFacts, RUN_REFUSALS } from './film-words.ts';
import { MarksStep } from './marks-step.tsx';
import { FilmIntro } from './film-intro.tsx';
import { TargetButtons } from './target-buttons.tsx';
import { useFilmSetup } from './use-film-setup.ts';
import { useFilmWork, type TargetId } from './use-film-work.ts';
import { QuantityField } from '../ui/quantity-field.tsx';

/** What a film came to, as it is put to use. */
export interface FilmResult {
  readonly run: FilmedRun | null;
  readonly slip: Slip | null;
  readonly coasting: FilmedCoasting | null;
}

interface FilmWorkProps {
  readonly carId: string;
  /** The car as it ran, and how it was wound. */
  readonly design: CarDesign;
  readonly wind: Wind;
  /** m, marks of the session along the line of the run. */
  readonly marks: readonly number[];
  /** What is wanted of the film: a run from its release, or how the car coasts. */
  readonly purpose: 'run' | 'coast';
  readonly onAccept: (result: FilmResult) => void;
}

/** A film from its file to times and places: marks, dot, following, and what it tells, on one page. */
export function FilmWork({ carId, design, wind, marks, purpose, onAccept }: FilmWorkProps) {
  const units = useUnits();
  const format = formatIn(units);
  const tokens = useTokens();
  const [setup, change] = useFilmSetup(carId, marks);
  const work = useFilmWork(setup, design.driveWheels.diameter / 2);
  const [active, setActive] = useState<TargetId | null>(null);
  const { reader, still, targets, places, floor, followed, measured, run, slip, end, progress } = work;
  const ids: readonly TargetId[] = [...places.map((_, i) => `mark ${i}` as const), 'dot'];
  const take = async (file: File): Promise<void> => {
    await work.open(file);
    setActive('mark 0');
  };
  useFileDrop((file) => void take(file));
  const takeSimulated = (file: File, height: number): void => {
    change({ layout: 'rectangle', length: TAPED[1][0], width: TAPED[2][1], height });
    void take(file);
  };
  const set = (id: TargetId, pixels: readonly [number, number]): void => {
    const isNew = targets[id] === undefined;
    if (id === 'dot' && end?.kind === 'dot-lost') return void work.follow({ time: end.time, pixels });
    work.set(id, pixels);
    // The next that is not set yet takes the next click.
    if (isNew) setActive(ids.find((one) => one !== id && targets[one] === undefined) ?? null);
  };
  const shown = ids.concat(targets.wheel ? (['wheel'] as const) : []).flatMap((id, i): PictureTarget[] => {
    const pixels = targets[id];
    // A dot that was followed is where it was found.
    if (!pixels || ((id === 'dot' || id === 'wheel') && followed)) return [];
    const label = id === 'dot' ? 'Dot of the car' : id === 'wheel' ? 'Dot of the wheel' : `Mark ${i + 1}`;
    return [{ id, label, sign: id === 'dot' ? 'dot' : id === 'wheel' ? 'wheel' : String(i + 1), pixels }];
  });
  const points = followed?.points ?? [];
  const here = points.findLast(({ time }) => time <= work.time + 1e-6);
  const isRun = run !== null && typeof run !== 'string';
  const prediction = useMemo(() => predictRun(design, wind, { trace: true }), [design, wind]);
  const expected = prediction.kind === 'ran' ? prediction.result.trace! : null;
  const ghost = useMemo(() => {
    if (!isRun || !expected || !measured || !floor || purpose === 'coast') return null;
    const at = work.time - run.start;
    const i = expected.time.findIndex((time) => time >= at);
    const way = at <= 0 ? 0 : i < 0 ? expected.distance.at(-1)! : expected.distance[i]!;
    const [x, y = 0] = measured.points[0]!.place;
    const [u, v] = seenAtPlace(floor, [x! + way, y], setup.height);
    return [u, v ?? here?.pixels[1] ?? 0] as const;
  }, [isRun, expected, measured, floor, purpose, work.time, run, setup.height, here]);
  const option = useMemo(
    () =>
      measured && measured.speed.length > 0
        ? filmCurveOption(
            measured,
            isRun && expected && purpose === 'run' ? { trace: expected, start: run.start } : null,
            work.time,
            units,
            tokens,
          )
        : null,
    [measured, isRun, expected, purpose, run, work.time, units, tokens],
  );
  const coasting = useMemo(() => (measured && purpose === 'coast' ? filmedCoasting(measured) : null), [measured, purpose]);
  const endWords = end && describeFilmEnd(end);
  const isFollowable = floor !== null && targets.dot !== undefined && progress === null;

  if (!reader || !still)
    return <FilmIntro {...{ design, wind, purpose, work }} onFile={(file) => void take(file)} onSimulated={takeSimulated} />;
  return (
    <div className={styles.work}>
      <div className={`${styles.column} ${styles.left}`}>
        <div className={`${styles.column} ${styles.stage}`}>
          <FilmPicture
            picture={still.picture}
            targets={shown}
            active={progress === null ? (end?.kind === 'dot-lost' ? 'dot' : active) : null}
            onActive={setActive}
            onSet={set}
            trail={points.filter(({ time }) => time <= work.time + 1e-6).map(({ pixels }) => pixels)}
            now={here && Math.abs(here.time - work.time) < 2 * reader.step ? here.pixels : null}
            ghost={ghost}
          />
          <Slider
            aria-label="Time in the film"
            min={reader.first}
            max={reader.end}
            step={reader.step}
            value={work.time}
            disabled={progress !== null}
            getAriaValueText={(value) => `${value.toFixed(2)} s`}
            valueLabelDisplay="auto"
            valueLabelFormat={(value) => `${value.toFixed(2)} s`}
            onChange={(_event, value) => work.goTo(value)}
          />
        </div>
        {option && (
          <>
            <Chart option={option} role="img" aria-label="Speed over the time of the film" sx={{ height: 240 }} />
            <p className={`${plain.caption} ${plain.muted}`}>
              Line: the film, with the range that holds 9 in 10.
              {isRun && purpose === 'run' ? ' Dashed: the expected run, a ghost in the picture.' : ''}
            </p>
          </>
        )}
      </div>
      <div className={styles.column}>
        <MarksStep {...{ setup, change, work, active, setActive }} />
        <section className={styles.step} aria-labelledby="film-dot">
          <h2 id="film-dot" className={plain.heading}>
            2. Dot
          </h2>
          <p className={plain.text}>
            {purpose === 'run'
              ? 'Go to a picture just before the release and click the middle of the dot.'
              : 'Go to a picture after the push, where the car rolls freely, and click the middle of the dot.'}
          </p>
          <TargetButtons
            targets={[
              ['dot', 'Dot of the car'],
              ['wheel', 'Dot of a drive wheel (if there is one)'],
            ]}
            {...{ work, active, setActive }}
          />
          {setup.layout !== 'line' && (
            <QuantityField
              label="Height of the dot’s middle"
              quantity="size"
              size="small"
              value={setup.height}
              onChange={(height) => change({ height })}
              check={(height) => (height >= 0 && height <= 1 ? null : 'From the floor to the middle of the dot: 0 to 1 m.')}
            />
          )}
        </section>
        <section className={styles.step} aria-labelledby="film-follow">
          <h2 id="film-follow" className={plain.heading}>
            3. Follow
          </h2>
          {progress === null ? (
            <div className={styles.row}>
              <Button variant={followed ? 'outlined' : 'contained'} disabled={!isFollowable} onClick={() => void work.follow()}>
                {followed ? 'Follow again' : 'Follow the dot'}
              </Button>
              {endWords && (
                <Button variant="outlined" onClick={work.endHere}>
                  End here
                </Button>
              )}
            </div>
          ) : (
            <div className={styles.row}>
              <LinearProgress variant="determinate" value={100 * progress} aria-label="Following the dot" sx={{ flexGrow: 1 }} />
              <span className={plain.figures}>{work.time.toFixed(2)} s</span>
              <Button onClick={work.stop}>Stop</Button>
            </div>
          )}
          {!isFollowable && progress === null && !followed && (
            <p className={`${plain.caption} ${plain.muted}`}>{floor ? 'Set the dot first.' : 'Set all marks and the dot first.'}</p>
          )}
          {endWords && (
            <p role="alert" className={`${plain.text} ${styles.problem}`}>
              {endWords}
            </p>
          )}
          {followed && progress === null && (
            <p role="status" className={`${plain.caption} ${plain.muted}`}>
              Followed through {followed.points.length} pictures
              {end?.kind === 'out-of-picture' && `, until it left the picture at ${end.time.toFixed(2)} s`}.{' '}
              {!followed.isWatched
                ? 'The marks show too little to tell whether the camera stood still.'
                : followed.shook < 0.5
                  ? 'The camera stood still.'
                  : `The camera shook by up to ${Math.round(followed.shook)} pixels. The marks corrected that.`}
            </p>
          )}
          {work.fault && (
            <p role="alert" className={`${plain.text} ${styles.problem}`}>
              ✕ Film: {describeFilmFault(work.fault)}
            </p>
          )}
        </section>
        {measured && !endWords && (
          <section className={styles.step} aria-labelledby="film-result">
            <h2 id="film-result" className={plain.heading}>
              4. What it tells
            </h2>
            {purpose === 'run' && typeof run === 'string' && (
              <p role="alert" className={`${plain.text} ${styles.problem}`}>
                ✕ {RUN_REFUSALS[run]}
              </p>
            )}
            {isRun && purpose === 'run' && (
              <div className={styles.facts}>
                <Facts facts={filmFacts(run, slip, units, format)} />
              </div>
            )}
            {purpose === 'coast' &&
              (coasting ? (
                <p className={plain.text}>
                  {coasting.marks.length} times over {format(coasting.marks.at(-1)!, 'distance')} of coasting.
                </p>
              ) : (
                <p role="alert" className={`${plain.text} ${styles.problem}`}>
                  ✕ The car does not slow down in this film. Film more of its coasting.
                </p>
              ))}
            <div className={styles.row}>
              {((purpose === 'run' && isRun) || coasting) && (
                <Button
                  variant="contained"
                  onClick={() => onAccept({ run: isRun ? run : null, slip: slip && typeof slip !== 'string' ? slip : null, coasting })}
                >
                  Use these times
                </Button>
              )}
              <Button variant="outlined" onClick={() => downloadJson('film.json', work.film)}>
                Save as JSON
              </Button>
            </div>
          </section>
        )}
        <FileButton label="Another film" accept="video/*" onFile={(file) => void take(file)}>
          Choose another film
        </FileButton>
      </div>
    </div>
  );
}
