import styles from './bars.module.css';

/** A bar from `from` (0 without) to `to`, m, with what is written at its end. */
export interface Bar {
  readonly name: string;
  readonly kind: 'expected' | 'found' | 'cause';
  readonly from?: number;
  readonly to: number;
  readonly words: string;
  /** Whether it stands out among its like. */
  readonly isLeading?: boolean;
}

interface BarsProps {
  readonly bars: readonly Bar[];
  /** px that names may take beside their bars. */
  readonly names: number;
}

/** Distances as bars under each other, to one scale. */
export function Bars({ bars, names }: BarsProps) {
  const longest = Math.max(...bars.map(({ to }) => to));
  const part = (metres: number): string => `${longest > 0 ? (100 * metres) / longest : 0}%`;
  const widest = Math.max(...bars.map(({ words }) => words.length));
  return (
    <dl className={styles.bars} style={{ '--names': `${names}px`, '--words': `${widest}ch` } as React.CSSProperties}>
      {bars.map(({ name, kind, from = 0, to, words, isLeading }) => (
        <div key={name} className={isLeading ? styles.leading : undefined}>
          <dt>{name}</dt>
          <dd>
            <i style={{ width: part(from) }} />
            <span className={styles[kind]} style={{ width: part(to - from) }} />
            {words}
          </dd>
        </div>
      ))}
    </dl>
  );
}
