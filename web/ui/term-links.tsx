import { Link, useParams } from 'react-router';
import { GLOSSARY, type TermId } from '../../core/learn/glossary-terms.ts';
import plain from './plain.module.css';

/** The id of a word on Learn’s page. */
export const termAnchor = (id: TermId): string => `word-${id}`;

/** Where a word is in Learn, on the page of a car. */
export const termAddress = (carId: string, id: TermId): string => `/cars/${carId}/learn?view=words#${termAnchor(id)}`;

interface WordLinksProps {
  readonly ids: readonly TermId[];
  readonly onFollow?: () => void;
}

/** Words, each a way to what it means and its number on the car of the page; none where there is no car. */
export function TermLinks({ ids, onFollow }: WordLinksProps) {
  const { carId } = useParams();
  if (ids.length === 0 || !carId) return null;
  return (
    <p className={plain.caption}>
      In Learn:{' '}
      {ids.map((id, i) => (
        <span key={id}>
          {i > 0 && ' · '}
          <Link to={termAddress(carId, id)} {...(onFollow && { onClick: onFollow })}>
            {GLOSSARY[id].word}
          </Link>
        </span>
      ))}
    </p>
  );
}
