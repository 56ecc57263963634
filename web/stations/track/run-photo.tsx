import { pictureAddress } from '../../app/api/runs-api.ts';
import { useQueuedPhotos } from '../../app/use-queued-runs.ts';
import styles from './run-list.module.css';

/** The picture of a run, small, with the large one behind it; from this browser while it waits here. */
export function RunPhoto({ id, of }: { readonly id: string; readonly of: string }) {
  const waitingPhotos = useQueuedPhotos();
  // The program may not have it yet.
  if (waitingPhotos === null) return null;
  const waiting = waitingPhotos.find((photo) => photo.id === id);
  const source = waiting ? `data:image/jpeg;base64,${waiting.content.jpeg}` : pictureAddress(id);
  return (
    <a href={source} target="_blank" rel="noreferrer" className={styles.photo}>
      <img src={source} alt={`Photo of ${of}`} loading="lazy" height={72} />
    </a>
  );
}
