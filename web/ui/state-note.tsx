import plain from './plain.module.css';
import { StatePicture, type StateKind } from './state-picture.tsx';

interface StateNoteProps {
  readonly kind: StateKind;
  readonly children: React.ReactNode;
}

/** What a part of a station has come to, where there is nothing else to show: its picture, and what to do. */
export const StateNote = ({ kind, children }: StateNoteProps) => (
  <div className={plain.state} role="status">
    <StatePicture kind={kind} />
    <div className={plain.text}>{children}</div>
  </div>
);
