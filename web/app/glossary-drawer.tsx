import { useMemo } from 'react';
import { Link } from 'react-router';
import { glossaryNumbers } from '../../core/learn/glossary-numbers.ts';
import { GLOSSARY, termsIn } from '../../core/learn/glossary-terms.ts';
import plain from '../ui/plain.module.css';
import { SideDrawer } from '../ui/side-drawer.tsx';
import { useUnits } from '../ui/use-units.ts';
import { termAddress } from '../ui/term-links.tsx';
import { useListCarsQuery } from './api/cars-api.ts';
import styles from './glossary-drawer.module.css';

interface WordsDrawerProps {
  /** Everything that is written on the screen. */
  readonly text: string;
  readonly carId: string | null;
  readonly onClose: () => void;
}

/** The words of the field that stand on the screen: what each means, its number on the car, and the way to Learn. */
export default function WordsDrawer({ text, carId, onClose }: WordsDrawerProps) {
  const units = useUnits();
  const { data } = useListCarsQuery();
  const design = data?.readable.find(({ id }) => id === carId)?.design;
  const numberOf = useMemo(() => (design ? glossaryNumbers(design, units) : null), [design, units]);
  const ids = useMemo(() => termsIn(text), [text]);
  return (
    <SideDrawer title="Glossary of this screen" onClose={onClose}>
      {ids.length === 0 && <p className={plain.text}>No terms on this screen.</p>}
      <dl className={styles.words}>
        {ids.map((id) => (
          <div key={id}>
            <dt className={plain.strong}>
              {carId ? (
                <Link to={termAddress(carId, id)} onClick={onClose}>
                  {GLOSSARY[id].word}
                </Link>
              ) : (
                GLOSSARY[id].word
              )}
            </dt>
            <dd className={plain.text}>
              {GLOSSARY[id].means}
              {numberOf && (
                <>
                  . {design!.name}: <strong>{numberOf(id)}</strong>
                </>
              )}
            </dd>
          </div>
        ))}
      </dl>
    </SideDrawer>
  );
}
