import { useMemo } from 'react';
import { Link } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { TermId } from '../../../core/learn/glossary-terms.ts';
import { IDEAS, type Idea } from '../../../core/learn/idea.ts';
import { scoreOfIdea, type Progress } from '../../../core/learn/progress.ts';
import { termPicture } from '../../../core/learn/term-pictures.ts';
import { SheetPicture } from '../../drawing/sheet-picture.tsx';
import styles from './idea-tiles.module.css';

/** The term whose picture stands for an idea. */
const PICTURES: Readonly<Record<Idea, TermId>> = {
  energy: 'energy',
  pull: 'pull',
  gears: 'advantage',
  grip: 'friction',
  rolling: 'rolling',
  coasting: 'coasting',
  mass: 'inertia',
  straight: 'drift',
  air: 'air-drag',
  luck: 'scatter',
};

/** What was answered of an idea: `2 of 3 right`. */
const scoreWords = (right: number, asked: number): string => (asked === 0 ? 'not asked yet' : `${right} of ${asked} right`);

interface IdeaTilesProps {
  readonly design: CarDesign;
  readonly progress: Progress;
  /** The idea that is asked about. */
  readonly present: Idea;
}

/** The ten ideas as pictures of this car, with a mark for each question that was answered. */
export function IdeaTiles({ design, progress, present }: IdeaTilesProps) {
  const pictures = useMemo(
    () => (Object.keys(IDEAS) as Idea[]).map((idea) => [idea, termPicture(PICTURES[idea], design)] as const),
    [design],
  );
  return (
    <ul className={styles.tiles}>
      {pictures.map(([idea, picture]) => {
        const { right, asked } = scoreOfIdea(progress, idea);
        const [name] = IDEAS[idea].split(':');
        return (
          <li key={idea}>
            <Link
              to={`?view=ideas&idea=${idea}`}
              className={styles.tile}
              aria-label={`${IDEAS[idea]}: ${scoreWords(right, asked)}`}
              aria-current={idea === present ? 'step' : undefined}
            >
              <span aria-hidden className={styles.picture}>
                <SheetPicture sheet={picture} isOfPage />
              </span>
              <span>{name}</span>
              <span aria-hidden className={styles.marks}>
                {'✓'.repeat(right)}
                {'○'.repeat(asked - right)}
              </span>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
