import styles from './wide.module.css';

/** Something that may be wider than a phone: it scrolls to the side, by keys too. */
export const Wide = ({ label, children }: { readonly label: string; readonly children: React.ReactNode }) => (
  // What scrolls must be reached by keys (WCAG 2.1.1).
  <div role="group" aria-label={label} tabIndex={0} className={styles.wide}>
    {children}
  </div>
);
