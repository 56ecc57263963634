import { useCallback } from 'react';
import type { Meet, StandingResult } from '../../../core/meet/meet.ts';
import { ChancesGraph } from './chances-graph.tsx';
import { inHundred } from './in-hundred.ts';
import styles from './meet.module.css';
import { useChances } from './use-chances.ts';

/** What the crews agreed to show: how likely each car is to win, and how that moved. */
export function BoardChances({ meet, results }: { readonly meet: Meet; readonly results: readonly StandingResult[] }) {
  const { result } = useChances(meet, results);
  const nameOf = useCallback((id: string) => meet.entries.find((entry) => entry.id === id)?.car ?? '?', [meet.entries]);
  if (!result) return null;
  const [likeliest] = result.now.entries.toSorted((a, b) => b.places[0]! - a.places[0]!);
  return (
    <section aria-label="Chances" className={styles.records}>
      {likeliest && (
        <p>
          Likeliest to win: <strong>{nameOf(likeliest.entry)}</strong>, {inHundred(likeliest.places[0]!)}
        </p>
      )}
      {result.over && <ChancesGraph over={result.over} nameOf={nameOf} />}
    </section>
  );
}
