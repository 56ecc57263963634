import Button from '@mui/material/Button';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import plain from './plain.module.css';

interface PanelBoundaryProps {
  /** What is in it, for the message: "The drawing". */
  readonly name: string;
  /** When this changes the panel is tried again. */
  readonly of: unknown;
  /** Takes the last change back, where there is one. */
  readonly onUndo?: () => void;
  readonly children: React.ReactNode;
}

/** An error in one panel leaves the others standing: it is reported in its place, with the way back. */
export const PanelBoundary = ({ name, of, onUndo, children }: PanelBoundaryProps) => (
  <ErrorBoundary resetKeys={[of]} fallbackRender={(props) => <Broken name={name} onUndo={onUndo} {...props} />}>
    {children}
  </ErrorBoundary>
);

const Broken = ({ name, onUndo, error, resetErrorBoundary }: Pick<PanelBoundaryProps, 'name' | 'onUndo'> & FallbackProps) => (
  <section role="alert" aria-label={name} className={plain.broken}>
    <p className={plain.strong}>✕ {name} cannot be shown for this car.</p>
    <p className={`${plain.text} ${plain.muted}`}>
      Everything else still works, and your car is safe. Change it, or undo the last change.
      {error instanceof Error ? ` (${error.message})` : ''}
    </p>
    {onUndo && (
      <Button size="small" variant="outlined" onClick={onUndo}>
        Undo the last change
      </Button>
    )}
    <Button size="small" onClick={resetErrorBoundary}>
      Try again
    </Button>
  </section>
);
