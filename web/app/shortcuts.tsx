import { startTransition, Suspense, useState } from 'react';
import { lazyWithPreload } from '../ui/lazy-with-preload.ts';
import { useShortcut } from '../ui/use-shortcut.ts';

const ShortcutList = lazyWithPreload(() => import('./shortcut-list.tsx'));

/** The list of keys opens on `?`. */
export function Shortcuts() {
  const [isOpen, setOpen] = useState(false);
  useShortcut(
    (event) => event.key === '?',
    () => startTransition(() => setOpen(true)),
  );
  return (
    isOpen && (
      <Suspense fallback={null}>
        <ShortcutList onClose={() => setOpen(false)} />
      </Suspense>
    )
  );
}
