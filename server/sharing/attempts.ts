/** Counts attempts by whom they come from, in a window of time; by a clock that is never set back. */
export interface Attempts {
  /** Whether one more may be made by `from`. */
  readonly mayTry: (from: string) => boolean;
  readonly count: (from: string) => void;
  readonly reset: () => void;
}

interface AttemptLimits {
  /** ms. */
  readonly window: number;
  /** Attempts of one sender, and of all together, in a window. */
  readonly each: number;
  readonly all: number;
  /** ms, of a clock that only goes forward. */
  readonly now?: () => number;
}

/** `limitAttempts({ window: 60_000, each: 5, all: 30 })`: after five of one sender it waits until its first is a minute old. */
export function limitAttempts({ window, each, all, now = () => performance.now() }: AttemptLimits): Attempts {
  let attempts: { readonly from: string; readonly at: number }[] = [];
  const recent = () => (attempts = attempts.filter(({ at }) => now() - at < window));
  return {
    mayTry: (from) => recent().length < all && attempts.filter((one) => one.from === from).length < each,
    count: (from) => void attempts.push({ from, at: now() }),
    reset: () => void (attempts = []),
  };
}
