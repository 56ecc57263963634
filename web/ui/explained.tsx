import { memo, startTransition, Suspense, useState, type ReactNode } from 'react';
import type { Explanation } from './explanation.ts';
import { lazyWithPreload } from './lazy-with-preload.ts';

const ExplanationPopover = lazyWithPreload(() => import('./explanation-popover.tsx'));

interface ExplainedProps {
  /** Explains the figure of a name. */
  readonly explain: (figure: string) => Explanation;
  readonly figure: string;
  readonly children: ReactNode;
}

/** A figure that explains itself when pressed; drawn again only when it says otherwise. */
export const Explained = memo(function Explained({ explain, figure, children }: ExplainedProps) {
  const [shown, setShown] = useState<{ readonly anchor: HTMLElement; readonly explanation: Explanation } | null>(null);
  return (
    <>
      {/* A plain button: many of these are drawn anew in every frame of a drag. */}
      <button
        type="button"
        className="explained"
        aria-haspopup="dialog"
        onClick={({ currentTarget }) => startTransition(() => setShown({ anchor: currentTarget, explanation: explain(figure) }))}
      >
        {children}
      </button>
      {shown && (
        <Suspense fallback={null}>
          <ExplanationPopover {...shown} onClose={() => setShown(null)} />
        </Suspense>
      )}
    </>
  );
});
