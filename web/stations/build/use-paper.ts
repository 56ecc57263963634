import { useState } from 'react';
import type { PaperName } from '../../../core/build/drawing.ts';

const PAPER = 'build-paper';
const CREW = 'build-crew';

/** The paper that is printed on and whose car it is, kept in this browser. */
export function usePaper() {
  const [name, setName] = useState<PaperName>(() => (localStorage.getItem(PAPER) === 'letter' ? 'letter' : 'a4'));
  const [crew, setCrew] = useState(() => localStorage.getItem(CREW) ?? '');
  return {
    name,
    crew,
    setName: (next: PaperName): void => {
      localStorage.setItem(PAPER, next);
      setName(next);
    },
    setCrew: (next: string): void => {
      localStorage.setItem(CREW, next);
      setCrew(next);
    },
  };
}
