import { createContext, useContext, useState } from 'react';

/** What was typed into fields that are not shown just now and could not be taken, by their names; null where fields are always shown. */
export const Drafts = createContext<Map<string, string> | null>(null);

/** What is being typed into a field, null for nothing: it outlives the field where there are drafts about. */
export function useDraft(name: string): readonly [string | null, (typed: string | null) => void] {
  const drafts = useContext(Drafts);
  const [typed, setTyped] = useState<string | null>(() => drafts?.get(name) ?? null);
  const keep = (text: string | null): void => {
    setTyped(text);
    if (text === null) drafts?.delete(name);
    else drafts?.set(name, text);
  };
  return [typed, keep];
}
