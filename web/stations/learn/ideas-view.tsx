import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { IDEAS, type Idea } from '../../../core/learn/idea.ts';
import { ideaPages } from '../../../core/learn/ideas.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './learn.module.css';
import { LuckStrip } from './luck-strip.tsx';
import { TrialPanel } from './trial-panel.tsx';

const ORDER = Object.keys(IDEAS) as readonly Idea[];
const toIdea = (idea: Idea): string => `?view=ideas&idea=${idea}`;

interface IdeasViewProps {
  readonly design: CarDesign;
  /** Which one is read. */
  readonly idea: string | null;
}

/** Ten ideas, a page each: plain words, what it is on this car, something to try with its own curve, and a formula on demand. */
export function IdeasView({ design, idea: asked }: IdeasViewProps) {
  const units = useUnits();
  const pages = useMemo(() => ideaPages(design, units), [design, units]);
  const idea = ORDER.find((one) => one === asked) ?? ORDER[0]!;
  const place = ORDER.indexOf(idea);
  const { words, formula, source, onCar } = pages.find((page) => page.idea === idea)!;
  const [before, after] = [ORDER[place - 1], ORDER[place + 1]];
  return (
    <div className={styles.ideas}>
      <nav aria-label="Ten ideas">
        <ol className={`${plain.text} ${styles.list}`}>
          {ORDER.map((one) => (
            <li key={one}>
              <Link to={toIdea(one)} replace aria-current={one === idea ? 'page' : undefined}>
                {IDEAS[one]}
              </Link>
            </li>
          ))}
        </ol>
      </nav>
      <article aria-labelledby="idea-title" className={styles.part}>
        <h2 id="idea-title" className={plain.heading}>
          {place + 1}. {IDEAS[idea]}
        </h2>
        {words.map((paragraph) => (
          <p key={paragraph} className={plain.text}>
            {paragraph}
          </p>
        ))}
        <p className={plain.strong}>{onCar}</p>
        <details>
          <summary className={plain.caption}>The formula</summary>
          <p className={plain.text}>
            {formula} <span className={plain.muted}>({source})</span>
          </p>
        </details>
        {idea === 'luck' ? <LuckStrip design={design} /> : <TrialPanel key={idea} idea={idea} design={design} />}
        <div className={styles.row}>
          {before && (
            <Button component={Link} to={toIdea(before)} replace>
              ← {IDEAS[before]}
            </Button>
          )}
          {after && (
            <Button component={Link} to={toIdea(after)} replace variant="outlined">
              {IDEAS[after]} →
            </Button>
          )}
        </div>
      </article>
    </div>
  );
}
