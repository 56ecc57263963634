import { useState } from 'react';

const kindOf = (value: unknown): string => (Array.isArray(value) ? 'list' : value === null ? 'null' : typeof value);

/** What this browser keeps under a name: of the same kind as `nothing`, which is given where there is none or it cannot be read. */
export function readLocalStorage<T>(key: string, nothing: T): T {
  const text = localStorage.getItem(key);
  if (text === null) return nothing;
  try {
    const value: unknown = JSON.parse(text);
    return kindOf(value) === kindOf(nothing) ? (value as T) : nothing;
  } catch {
    // Words were once kept without their quotation marks.
    return typeof nothing === 'string' ? (text as T) : nothing;
  }
}

/** Something small kept in this browser under a name: what was ticked, what was typed. Nothing is kept of `nothing` itself. */
export function useLocalStorage<T>(key: string, nothing: T): readonly [T, (next: T) => void] {
  const [value, setValue] = useState(() => readLocalStorage(key, nothing));
  return [
    value,
    (next) => {
      if (next === nothing) localStorage.removeItem(key);
      else localStorage.setItem(key, JSON.stringify(next));
      setValue(next);
    },
  ];
}
