import { Explained, type Explanation } from './explained.tsx';
import styles from './facts.module.css';
import plain from './plain.module.css';

interface FactsProps {
  readonly facts: readonly (readonly [name: string, figure: string])[];
  /** How the figure of this name came about. */
  readonly explain?: (name: string) => Explanation;
}

/** Names and their figures, in two columns. */
export const Facts = ({ facts, explain }: FactsProps) => (
  <dl className={`${plain.list} ${styles.facts}`}>
    {facts.map(([name, figure]) => (
      <div key={name}>
        <dt>{name}</dt>
        <dd>{explain ? <Explained explain={() => explain(name)}>{figure}</Explained> : figure}</dd>
      </div>
    ))}
  </dl>
);
