import { useEffect, useMemo } from 'react';
import { useLocation } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { wordNumbers } from '../../../core/learn/glossary.ts';
import { wordPicture } from '../../../core/learn/word-pictures.ts';
import { WORD_IDS, WORDS, type WordId } from '../../../core/learn/words.ts';
import { SheetPicture } from '../../drawing/sheet-picture.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { wordAnchor } from '../../ui/word-links.tsx';
import styles from './learn.module.css';

/** Words of the field, each with a picture and its number on this car. */
export function WordsView({ design }: { readonly design: CarDesign }) {
  const units = useUnits();
  const numberOf = useMemo(() => wordNumbers(design, units), [design, units]);
  const { hash } = useLocation();
  useEffect(() => {
    const word = hash && document.getElementById(hash.slice(1));
    if (!word) return;
    word.scrollIntoView({ block: 'start' });
    word.focus();
  }, [hash]);
  return (
    <ul className={styles.words}>
      {WORD_IDS.map((id) => (
        <WordCard key={id} id={id} design={design} number={numberOf(id)} />
      ))}
    </ul>
  );
}

interface WordCardProps {
  readonly id: WordId;
  readonly design: CarDesign;
  readonly number: string;
}
function WordCard({ id, design, number }: WordCardProps) {
  const picture = useMemo(() => wordPicture(id, design), [id, design]);
  return (
    <li id={wordAnchor(id)} tabIndex={-1} className={styles.word}>
      <h2 className={plain.strong}>{WORDS[id].word}</h2>
      <p className={plain.text}>{WORDS[id].means}.</p>
      <SheetPicture sheet={picture} />
      <p className={plain.text}>
        On this car: <strong>{number}</strong>
      </p>
    </li>
  );
}
