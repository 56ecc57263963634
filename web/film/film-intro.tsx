import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useEffect, useRef, useState } from 'react';
import type { CarDesign, Wind } from '../../core/car/car-design.ts';
import { simulatedReadings } from '../../core/bench/simulated-readings.ts';
import { RELEASE, sceneOfPush, sceneOfRun, SMALL_CHAIR } from '../../core/rig/simulated-phone.ts';
import type { FilmScene } from '../../core/film/simulated-film.ts';
import { hiddenBuild } from '../../core/rig/simulated-instruments.ts';
import { hiddenRun, type RigFault } from '../../core/rig/simulated-rig.ts';
import { simulate } from '../../core/run/simulate.ts';
import { ChoiceSelect } from '../brief-fields/choice-select.tsx';
import { FileButton } from '../ui/file-button.tsx';
import plain from '../ui/plain.module.css';
import styles from './film.module.css';
import { describeFilmFault } from './film-words.ts';
import { FilmDrawing, HowToFilm } from './how-to-film.tsx';
import { canRecord, recordSimulatedFilm } from './record-simulated-film.ts';
import type { FilmPurpose, FilmWorkState } from './use-film-work.ts';

/** s of a simulated film at least and at most; what it shows after the end; m that are in its picture. */
const [SHORTEST, LONGEST, AFTER] = [4, 12, 0.8];
const IN_VIEW = 3.9;

/** What may be wrong with the car of a simulated film. */
const HIDDEN: Readonly<Record<'sound' | RigFault, string>> = {
  sound: 'nothing is wrong with it',
  rubs: 'it has too much friction',
  'weak-motor': 'its motor is weak',
  slippery: 'its tyres slip',
};

interface FilmIntroProps {
  readonly design: CarDesign;
  readonly wind: Wind;
  readonly purpose: FilmPurpose;
  readonly work: FilmWorkState;
  readonly onFile: (file: File) => void;
  /** With the height of its dot, m. */
  readonly onSimulated: (file: File, height: number) => void;
}

/** How a film is made, and where it comes from: a phone, or a simulated one. */
export function FilmIntro({ design, wind, purpose, work, onFile, onSimulated }: FilmIntroProps) {
  const [hidden, setHidden] = useState<keyof typeof HIDDEN>('sound');
  const [recording, setRecording] = useState<number | null>(null);
  const [problem, setProblem] = useState('');
  const isWanted = useRef(true);
  useEffect(() => () => void (isWanted.current = false), []);
  const radius = design.driveWheels.diameter / 2;
  const sceneOfIt = (): FilmScene | null => {
    const camera = { camera: SMALL_CHAIR };
    if (purpose === 'coast') {
      const coasting = simulatedReadings('coast', hiddenBuild(design), 1);
      const { air = 0 } = (coasting?.measurement.readings ?? {}) as { readonly air?: number };
      return coasting && sceneOfPush(coasting.truth.a0!, air, radius, SHORTEST, camera);
    }
    const outcome = simulate(hiddenRun({ design, wind, seed: 7, run: 1, faults: hidden === 'sound' ? [] : [hidden] }), { trace: true });
    if (outcome.kind === 'refused' || outcome.result.stalled) return null;
    const { trace, time } = outcome.result;
    const out = trace!.distance.findIndex((at) => at > IN_VIEW);
    const seconds = RELEASE + (out < 0 ? time : trace!.time[out]!) + AFTER;
    return sceneOfRun(trace!, radius, Math.min(Math.max(seconds, SHORTEST), LONGEST), camera);
  };
  const filmIt = async (): Promise<void> => {
    setProblem('');
    const scene = sceneOfIt();
    if (!scene) return setProblem('The hidden car does not run like this. Wind it further, or change the design.');
    isWanted.current = true;
    setRecording(0);
    const file = await recordSimulatedFilm(scene, (fraction) => {
      setRecording(fraction);
      return isWanted.current;
    });
    setRecording(null);
    if (file) onSimulated(file, scene.height);
  };
  return (
    <div className={styles.intro}>
      <div className={styles.column}>
        <h2 className={plain.heading}>Make the film</h2>
        <HowToFilm />
        <div className={styles.row}>
          <FileButton label="Film of the run" accept="video/*" onFile={onFile}>
            {work.isOpening ? 'Reading the film …' : 'Choose a film'}
          </FileButton>
          <span className={`${plain.caption} ${plain.muted}`}>or drop it here. The film stays in this browser.</span>
        </div>
        {work.fault && (
          <p role="alert" className={`${plain.text} ${styles.problem}`}>
            ✕ Film: {describeFilmFault(work.fault)}
          </p>
        )}
      </div>
      <div className={styles.column}>
        <FilmDrawing />
        {canRecord && (
          <>
            <h2 className={plain.heading}>Try it without a phone</h2>
            <p className={plain.text}>
              A simulated phone films a hidden car that was built to this design{purpose === 'coast' && ', as it is pushed and coasts'}.
            </p>
            <div className={styles.row}>
              {purpose === 'run' && <ChoiceSelect label="Hidden car" value={hidden} options={HIDDEN} onChange={setHidden} />}
              {recording === null ? (
                <Button variant="outlined" onClick={() => void filmIt()}>
                  {purpose === 'run' ? 'Film a run' : 'Film a push'}
                </Button>
              ) : (
                <Button variant="outlined" onClick={() => (isWanted.current = false)}>
                  Stop
                </Button>
              )}
            </div>
            {recording !== null && <LinearProgress variant="determinate" value={100 * recording} aria-label="Filming" />}
            {problem && (
              <p role="alert" className={`${plain.text} ${styles.problem}`}>
                ✕ {problem}
              </p>
            )}
          </>
        )}
      </div>
    </div>
  );
}
