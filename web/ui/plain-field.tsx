import { useId } from 'react';
import styles from './plain-field.module.css';
import plain from './plain.module.css';

interface PlainFieldProps extends Omit<React.ComponentProps<'input'>, 'type' | 'className'> {
  readonly 'aria-label': string;
  readonly unit: string;
  readonly problem: string | null;
}

/** A figure to type, with its unit, and below it what is wrong with it. A plain field: many are drawn again in every frame of a drag. */
export function PlainField({ unit, problem, ...input }: PlainFieldProps) {
  const messageId = useId();
  return (
    <>
      <span className={styles.field}>
        <input
          type="text"
          spellCheck={false}
          aria-invalid={problem !== null}
          aria-describedby={problem === null ? undefined : messageId}
          {...input}
        />
        <span aria-hidden>{unit}</span>
      </span>
      {problem && (
        <p id={messageId} className={`${plain.caption} ${styles.problem}`}>
          {problem}
        </p>
      )}
    </>
  );
}
