import { memo } from 'react';
import { Explained } from './explained.tsx';
import type { Explanation } from './explanation.ts';
import styles from './facts.module.css';
import plain from './plain.module.css';
import { useRoving } from './use-roving.ts';

interface FactProps {
  readonly name: string;
  readonly figure: string;
  /** How the figure of this name came about. */
  readonly explain?: ((name: string) => Explanation) | undefined;
}

/** Names and their figures, in two columns. */
export function Facts({
  facts,
  explain,
}: Pick<FactProps, 'explain'> & { readonly facts: readonly (readonly [name: string, figure: string])[] }) {
  const group = useRoving('button');
  return (
    <dl ref={group} className={`${plain.list} ${styles.facts}`}>
      {facts.map(([name, figure]) => (
        <Fact key={name} name={name} figure={figure} explain={explain} />
      ))}
    </dl>
  );
}

/** Drawn again only when its figure changes. */
const Fact = memo(function Fact({ name, figure, explain }: FactProps) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>
        {explain ? (
          <Explained figure={name} explain={explain}>
            {figure}
          </Explained>
        ) : (
          figure
        )}
      </dd>
    </div>
  );
});
