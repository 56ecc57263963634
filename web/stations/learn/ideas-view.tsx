import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { Link } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { IDEAS, LAWS, type Idea } from '../../../core/learn/idea.ts';
import { ideaPages } from '../../../core/learn/ideas.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './learn.module.css';
import { LuckStrip } from './luck-strip.tsx';
import { TrialPanel } from './trial-panel.tsx';

const ORDER = Object.keys(IDEAS) as readonly Idea[];
const BY_LAWS: readonly Idea[] = LAWS.flatMap(({ ideas }) => ideas);

interface IdeasViewProps {
  readonly design: CarDesign;
  /** Which one is read. */
  readonly idea: string | null;
  /** Whether they are read by Newton's laws. */
  readonly isByLaws: boolean;
}

/** Ten ideas, a page each: plain words, what it is on this car, something to try with its own curve, and a formula on demand. */
export function IdeasView({ design, idea: asked, isByLaws }: IdeasViewProps) {
  const units = useUnits();
  const pages = useMemo(() => ideaPages(design, units), [design, units]);
  const idea = ORDER.find((one) => one === asked) ?? ORDER[0]!;
  const path = isByLaws && BY_LAWS.includes(idea) ? BY_LAWS : ORDER;
  const place = path.indexOf(idea);
  const { words, formula, source, onCar } = pages.find((page) => page.idea === idea)!;
  const [before, after] = [path[place - 1], path[place + 1]];
  const toIdea = (one: Idea, byLaws = path === BY_LAWS): string => `?view=ideas&idea=${one}${byLaws ? '&path=laws' : ''}`;
  const link = (one: Idea, byLaws: boolean) => (
    <li key={one}>
      <Link to={toIdea(one, byLaws)} replace aria-current={one === idea && byLaws === (path === BY_LAWS) ? 'page' : undefined}>
        {IDEAS[one]}
      </Link>
    </li>
  );
  return (
    <div className={styles.ideas}>
      <div className={styles.paths}>
        <nav aria-label="Ten ideas">
          <ol className={`${plain.text} ${styles.list}`}>{ORDER.map((one) => link(one, false))}</ol>
        </nav>
        <nav aria-label="A path by Newton’s three laws">
          <details open={path === BY_LAWS}>
            <summary className={plain.text}>A path by Newton’s three laws</summary>
            {LAWS.map(({ name, ideas }) => (
              <section key={name} aria-label={name}>
                <p className={plain.strong}>{name}</p>
                <ul className={`${plain.text} ${styles.list}`}>{ideas.map((one) => link(one, true))}</ul>
              </section>
            ))}
          </details>
        </nav>
      </div>
      <article aria-labelledby="idea-title" className={styles.part}>
        <h2 id="idea-title" className={plain.heading}>
          {ORDER.indexOf(idea) + 1}. {IDEAS[idea]}
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
