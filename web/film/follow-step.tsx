import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import plain from '../ui/plain.module.css';
import styles from './film.module.css';
import { describeFilmEnd, describeFilmFault } from './film-words.ts';
import type { FilmWorkState } from './use-film-work.ts';

/** Pixels below which nobody sees a camera shake. */
const STILL = 0.5;

/** Following the dot: how far it is, its stop, and how it ended. */
export function FollowStep({ work }: { readonly work: FilmWorkState }) {
  const { floor, targets, followed, progress, end } = work;
  const endWords = end && describeFilmEnd(end);
  const isFollowable = floor !== null && targets.dot !== undefined && progress === null;
  return (
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
          Followed through {followed.points.length} frames
          {end?.kind === 'out-of-picture' && `, until the dot left the picture at ${end.time.toFixed(2)} s`}.{' '}
          {!followed.isWatched
            ? 'The marks show too little to tell whether the camera stood still.'
            : followed.shook < STILL
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
  );
}
