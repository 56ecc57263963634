import TextField from '@mui/material/TextField';
import { useEffect, useMemo, useState } from 'react';
import { useLocation } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { glossaryNumbers } from '../../../core/learn/glossary-numbers.ts';
import { termPicture } from '../../../core/learn/term-pictures.ts';
import { isTermFound, TERM_IDS, GLOSSARY, type TermId } from '../../../core/learn/glossary-terms.ts';
import { SheetPicture } from '../../drawing/sheet-picture.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { termAnchor } from '../../ui/term-links.tsx';
import styles from './learn.module.css';

/** Words of the field, each with a picture and its number on this car. */
export function GlossaryView({ design }: { readonly design: CarDesign }) {
  const units = useUnits();
  const numberOf = useMemo(() => glossaryNumbers(design, units), [design, units]);
  const { hash } = useLocation();
  useEffect(() => {
    const word = hash && document.getElementById(hash.slice(1));
    if (!word) return;
    word.scrollIntoView({ block: 'start' });
    word.focus();
  }, [hash]);
  const [sought, setSought] = useState('');
  const found = TERM_IDS.filter((id) => isTermFound(id, sought));
  return (
    <div className={styles.part}>
      <TextField
        type="search"
        size="small"
        placeholder="Find a word"
        sx={{ maxWidth: 320 }}
        value={sought}
        onChange={({ target }) => setSought(target.value)}
        onKeyDown={({ key }) => key === 'Escape' && setSought('')}
        slotProps={{ htmlInput: { 'aria-label': 'Find a word' } }}
      />
      {sought !== '' && (
        <p role="status" className={`${plain.caption} ${plain.muted}`}>
          {found.length === 0 ? 'No word here has this name or meaning.' : `${found.length} of ${TERM_IDS.length} words`}
        </p>
      )}
      <ul className={styles.words}>
        {found.map((id) => (
          <WordCard key={id} id={id} design={design} number={numberOf(id)} />
        ))}
      </ul>
    </div>
  );
}

interface WordCardProps {
  readonly id: TermId;
  readonly design: CarDesign;
  readonly number: string;
}
function WordCard({ id, design, number }: WordCardProps) {
  const picture = useMemo(() => termPicture(id, design), [id, design]);
  return (
    <li id={termAnchor(id)} tabIndex={-1} className={styles.word}>
      <h2 className={plain.strong}>{GLOSSARY[id].word}</h2>
      <p className={plain.text}>{GLOSSARY[id].means}.</p>
      <SheetPicture sheet={picture} isOfPage />
      <p className={plain.text}>
        On this car: <strong>{number}</strong>
      </p>
    </li>
  );
}
