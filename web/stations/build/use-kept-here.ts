import { useState } from 'react';

/** Something small kept in this browser under a name: what was ticked, what was typed. What cannot be read begins anew. */
export function useKeptHere<T>(key: string, nothing: T): readonly [T, (next: T) => void] {
  const [value, setValue] = useState<T>(() => {
    try {
      const text = localStorage.getItem(key);
      return text === null ? nothing : (JSON.parse(text) as T);
    } catch {
      return nothing;
    }
  });
  return [
    value,
    (next) => {
      localStorage.setItem(key, JSON.stringify(next));
      setValue(next);
    },
  ];
}
