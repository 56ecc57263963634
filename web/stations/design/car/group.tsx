import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import ExpandMoreIcon from '@mui/icons-material/ExpandMore';
import { memo } from 'react';
import type { CarGroup } from '../../../../core/car/car-groups.ts';
import plain from '../../../ui/plain.module.css';
import styles from './car-panel.module.css';

/** The goal of the car, and what is not known of it, stand below what it is. */
export type OpenGroup = CarGroup | 'aim' | 'values';

interface SummaryProps {
  /** Of its heading, and of what it opens. */
  readonly id: string;
  readonly 'aria-controls': string;
  readonly name: string;
  /** What it holds, in a few words. */
  readonly words: string;
  /** Something in it keeps the car from running. */
  readonly isWrong: boolean;
  readonly isOpen: boolean;
}

interface GroupProps extends Pick<SummaryProps, 'name' | 'words' | 'isWrong' | 'isOpen'> {
  readonly id: OpenGroup;
  readonly onOpen: (group: OpenGroup | null) => void;
  readonly children: React.ReactNode;
}

/** A group of the car that opens and closes; closed, it says in a few words what it holds. */
export function Group({ id, onOpen, children, ...summary }: GroupProps) {
  const { isOpen } = summary;
  return (
    <Accordion
      disableGutters
      square
      elevation={0}
      expanded={isOpen}
      onChange={(_event, isOpening) => onOpen(isOpening ? id : null)}
      slotProps={{ transition: { timeout: 0 } }}
      sx={{ bgcolor: 'transparent', '&::before': { display: 'none' }, borderTop: 1, borderColor: 'divider' }}
    >
      <Summary {...summary} id={`group-${id}`} aria-controls={`group-${id}-content`} />
      <AccordionDetails sx={{ p: 0, pb: 5 }}>{children}</AccordionDetails>
    </Accordion>
  );
}

/** Drawn again only when it says something else. */
const Summary = memo(function Summary({ name, words, isWrong, isOpen, ...named }: SummaryProps) {
  return (
    <AccordionSummary
      {...named}
      expandIcon={<ExpandMoreIcon />}
      sx={{ px: 0, minHeight: 44, '& .MuiAccordionSummary-content': { my: 2, display: 'block', minWidth: 0 } }}
    >
      <span className={plain.strong}>{name}</span>
      {isWrong && <span className={styles.fault}> ✕ fix this</span>}
      {!isOpen && words !== '' && <span className={`${plain.caption} ${styles.told}`}>{words}</span>}
    </AccordionSummary>
  );
});
