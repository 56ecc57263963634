import { useState } from 'react';
import { spaceStorage } from './space.ts';

const kindOf = (value: unknown): string => (Array.isArray(value) ? 'list' : value === null ? 'null' : typeof value);

/** The value that this browser stores under a key; `nothing` where there is none, it cannot be read, or is of another type. Where `nothing` is null any object is a value. */
export function readLocalStorage<T>(key: string, nothing: T): T {
  const text = storedText(key);
  if (text === null) return nothing;
  try {
    const value: unknown = JSON.parse(text);
    const isOfKind = kindOf(value) === kindOf(nothing) || (nothing === null && kindOf(value) === 'object');
    return isOfKind ? (value as T) : nothing;
  } catch {
    // Texts were once stored without their quotation marks.
    return typeof nothing === 'string' ? (text as T) : nothing;
  }
}

/** null too where the browser allows no storage. */
function storedText(key: string): string | null {
  try {
    return spaceStorage.getItem(key);
  } catch {
    return null;
  }
}

/** State that is stored in this browser under a key: what was ticked, what was typed. `nothing` itself is not stored. */
export function useLocalStorage<T>(key: string, nothing: T): readonly [T, (next: T) => void] {
  const [value, setValue] = useState(() => readLocalStorage(key, nothing));
  return [
    value,
    (next) => {
      setValue(next);
      try {
        if (next === nothing) spaceStorage.removeItem(key);
        else spaceStorage.setItem(key, JSON.stringify(next));
      } catch {
        // The browser allows no storage: it is here until the page is closed.
      }
    },
  ];
}
