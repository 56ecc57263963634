import Button from '@mui/material/Button';
import { useId, useState } from 'react';
import styles from './brief.module.css';

interface ChangeableProps {
  /** What is changed, for those who hear it: `Round 1`. */
  readonly name: string;
  /** How it reads. */
  readonly heading: React.ReactNode;
  readonly children: React.ReactNode;
  /** Its fields, shown on asking. */
  readonly fields: () => React.ReactNode;
}

/** A part of the sheet as it reads; a press opens its fields below. */
export function EditableSection({ name, heading, children, fields }: ChangeableProps) {
  const [isOpen, setOpen] = useState(false);
  const id = useId();
  return (
    <div className={styles.part}>
      <div className={styles.head}>
        {heading}
        <Button
          size="small"
          aria-expanded={isOpen}
          aria-controls={id}
          aria-label={`${isOpen ? 'Done with' : 'Change'} ${name}`}
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? 'Done' : 'Change'}
        </Button>
      </div>
      {children}
      <div id={id}>{isOpen && <div className={styles.fields}>{fields()}</div>}</div>
    </div>
  );
}
