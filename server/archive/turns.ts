/** ms of work at once: requests in between wait for that at most. */
const TURN = 25;

/** Lets others have their turn once this one has worked for a while. */
export function turns(): () => Promise<void> {
  let begun = performance.now();
  return async () => {
    if (performance.now() - begun < TURN) return;
    await new Promise((resolve) => setImmediate(resolve));
    begun = performance.now();
  };
}
