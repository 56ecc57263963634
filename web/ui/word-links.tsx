import { Link, useParams } from 'react-router';
import { WORDS, type WordId } from '../../core/learn/words.ts';
import plain from './plain.module.css';

/** The id of a word on Learn’s page. */
export const wordAnchor = (id: WordId): string => `word-${id}`;

/** Where a word stands in Learn, on the page of a car. */
export const wordAddress = (carId: string, id: WordId): string => `/cars/${carId}/learn?view=words#${wordAnchor(id)}`;

interface WordLinksProps {
  readonly ids: readonly WordId[];
  readonly onFollow?: () => void;
}

/** Words, each a way to what it means and its number on the car of the page; none where there is no car. */
export function WordLinks({ ids, onFollow }: WordLinksProps) {
  const { carId } = useParams();
  if (ids.length === 0 || !carId) return null;
  return (
    <p className={plain.caption}>
      In Learn:{' '}
      {ids.map((id, i) => (
        <span key={id}>
          {i > 0 && ' · '}
          <Link to={wordAddress(carId, id)} {...(onFollow && { onClick: onFollow })}>
            {WORDS[id].word}
          </Link>
        </span>
      ))}
    </p>
  );
}
