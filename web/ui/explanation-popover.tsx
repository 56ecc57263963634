import Popover from '@mui/material/Popover';
import Typography from '@mui/material/Typography';
import { termsIn } from '../../core/learn/glossary-terms.ts';
import type { Explanation } from './explanation.ts';
import styles from './explained.module.css';
import plain from './plain.module.css';
import { TermLinks } from './term-links.tsx';

interface ExplanationPopoverProps {
  readonly anchor: HTMLElement;
  readonly explanation: Explanation;
  readonly onClose: () => void;
}

/** A formula, and each number put in with where it comes from. */
export default function ExplanationPopover({ anchor, explanation, onClose }: ExplanationPopoverProps) {
  const { title, formula, numbers } = explanation;
  return (
    <Popover
      open
      anchorEl={anchor}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
      transformOrigin={{ vertical: 'top', horizontal: 'right' }}
      slotProps={{ paper: { role: 'dialog', 'aria-label': title, sx: { p: 4, maxWidth: 440 } } }}
    >
      <Typography variant="h3" component="h2">
        {title}
      </Typography>
      <Typography sx={{ my: 2 }}>{formula}</Typography>
      <dl className={`${plain.list} ${styles.numbers}`}>
        {numbers.map(([name, value, from]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{value}</dd>
            <dd className={styles.from}>{from}</dd>
          </div>
        ))}
      </dl>
      <TermLinks ids={termsIn([title, formula, ...numbers.map(([name]) => name)].join(' '))} onFollow={onClose} />
    </Popover>
  );
}
