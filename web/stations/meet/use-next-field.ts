import { useEffect, useRef } from 'react';
import type { StandingResult } from '../../../core/meet/meet.ts';
import { isResultOf, type RunPlace } from './use-meet.ts';

/**
 * Puts the focus on the first field of the first form that is left within an element: as it opens, and once what was saved stands among the
 * results and is typed no more. Somebody else's result moves it not.
 */
export function useNextField<E extends HTMLElement>(typed: readonly string[], results: readonly StandingResult[]) {
  const ref = useRef<E>(null);
  /** The run that is being saved; null for none. */
  const savedRef = useRef<RunPlace | 'opening' | null>('opening');
  useEffect(() => {
    const saved = savedRef.current;
    if (saved === null) return;
    if (saved !== 'opening' && (typed.includes(saved.entry) || !results.some((result) => isResultOf(saved, result)))) return;
    savedRef.current = null;
    ref.current?.querySelector<HTMLInputElement>('form input')?.focus();
  }, [typed, results]);
  return { ref, savedRef };
}
