import { useEffect, useRef } from 'react';

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || target.matches('input:not([type=range]), textarea, select'));

/** Runs `action` when a key that `matches` is pressed anywhere but in a text field, whose own keys stay its own. */
export function useShortcut(matches: (event: KeyboardEvent) => boolean, action: () => void): void {
  const latest = useRef({ matches, action });
  useEffect(() => {
    latest.current = { matches, action };
  });
  useEffect(() => {
    const handle = (event: KeyboardEvent): void => {
      if (isTyping(event.target) || !latest.current.matches(event)) return;
      event.preventDefault();
      latest.current.action();
    };
    window.addEventListener('keydown', handle);
    return () => window.removeEventListener('keydown', handle);
  }, []);
}
