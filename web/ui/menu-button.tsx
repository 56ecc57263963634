import { startTransition, Suspense, useState } from 'react';
import { lazyWithPreload } from './lazy-with-preload.ts';

const ActionMenu = lazyWithPreload(() => import('./action-menu.tsx'));

interface MenuButtonProps {
  readonly actions: React.ComponentProps<typeof ActionMenu>['actions'];
  /** The button itself: it opens the menu below the element it hands over. */
  readonly button: (open: (event: React.MouseEvent<HTMLElement>) => void) => React.ReactNode;
}

/** A button with a menu of what can be done. */
export function MenuButton({ actions, button }: MenuButtonProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      {button(({ currentTarget }) => startTransition(() => setAnchor(currentTarget)))}
      {anchor && (
        <Suspense fallback={null}>
          <ActionMenu anchor={anchor} onClose={() => setAnchor(null)} actions={actions} />
        </Suspense>
      )}
    </>
  );
}
