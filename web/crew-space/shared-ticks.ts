import { named, onStored, SPACE } from '../ui/space.ts';

/** What of this browser's storage a crew finds on its other devices too: steps that are done, sizes that were measured, what was learnt. */
const SHARED = /^(built-|build-steps-|build-inspection-|build-crew$|learn-progress$)/;
/** ms that a page waits for them at most, and after which what was ticked is sent. */
const PATIENCE = 1500;
const QUIET = 400;

const address = (key = ''): string => `${SPACE.api}/class/ticks${key && `/${key}`}`;

/** Takes over what was ticked on other devices of the crew, and sends them what is ticked here. Does nothing elsewhere. */
export async function shareTicks(): Promise<void> {
  if (SPACE.prefix === '') return;
  try {
    const answer = await fetch(address(), { signal: AbortSignal.timeout(PATIENCE) });
    const ticks = answer.ok ? ((await answer.json()) as Readonly<Record<string, string>>) : {};
    for (const [key, value] of Object.entries(ticks)) if (SHARED.test(key)) localStorage.setItem(named(key), value);
  } catch {
    // Without the program it goes on with what is here.
  }
  const waiting = new Map<string, ReturnType<typeof setTimeout>>();
  onStored((key, value) => {
    if (!SHARED.test(key)) return;
    clearTimeout(waiting.get(key));
    const send = (): void => {
      waiting.delete(key);
      const body = JSON.stringify({ value });
      void fetch(address(key), { method: 'PUT', headers: { 'content-type': 'application/json' }, body, keepalive: true }).catch(() => {});
    };
    waiting.set(key, setTimeout(send, QUIET));
  });
}
