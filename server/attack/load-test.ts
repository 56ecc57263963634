import { hostileRequests, send, WORST_BODIES, type Answer, type HostileRequest } from './hostile-requests.ts';

/** What a server answered to many hostile requests. */
export interface LoadTest {
  readonly sent: number;
  /** How often each status was answered; 0: the connection was closed. */
  readonly statuses: ReadonlyMap<number, number>;
  /** Answers that must not be: 5xx, an error page instead of a problem, a stack, too many words. */
  readonly wrong: readonly string[];
  readonly slowest: { readonly name: string; readonly ms: number };
}

/** Characters of the longest answer to a request that is refused. */
const MOST_WORDS = 12_000;

function wrongWith({ name, method, path }: HostileRequest, { status, type, text }: Answer): string | null {
  const where = `${name}: ${method} ${path.slice(0, 80)} → ${status}`;
  if (status >= 500) return `${where} ${text.slice(0, 200)}`;
  if (/\n\s+at .*\(|node_modules/.test(text)) return `${where} tells a stack`;
  if (status >= 400 && method !== 'HEAD' && type !== 'application/problem+json; charset=utf-8' && type !== '') return `${where} as ${type}`;
  return status >= 400 && text.length > MOST_WORDS ? `${where} in ${text.length} characters` : null;
}

/** Sends `count` hostile requests to a server on this machine, `atOnce` side by side. */
export async function runLoadTest(port: number, count: number, random: () => number, atOnce = 8): Promise<LoadTest> {
  const requests = hostileRequests(random);
  const statuses = new Map<number, number>();
  const wrong: string[] = [];
  let slowest = { name: '', ms: 0 };
  let sent = 0;
  const attacker = async (): Promise<void> => {
    while (sent < count) {
      sent++;
      const request = requests.next().value as HostileRequest;
      const answer = await send(port, request);
      statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
      if (answer.ms > slowest.ms) slowest = { name: request.name, ms: answer.ms };
      const fault = wrongWith(request, answer);
      if (fault) wrong.push(fault);
    }
  };
  await Promise.all(Array.from({ length: atOnce }, attacker));
  return { sent, statuses, wrong, slowest };
}

/** ms that each of the largest bodies takes to be answered, the best of `tries`. */
export async function worstBodies(
  port: number,
  tries: number,
): Promise<readonly { readonly name: string; readonly ms: number; readonly answer: Answer }[]> {
  const timed = [];
  for (const [name, path, body] of WORST_BODIES) {
    const request = { name, method: 'PUT', path, headers: { host: '127.0.0.1', 'content-type': 'application/json' }, body };
    let best: Answer | null = null;
    for (let k = 0; k < tries; k++) {
      const answer = await send(port, request);
      if (!best || answer.ms < best.ms) best = answer;
    }
    timed.push({ name, ms: best!.ms, answer: best! });
  }
  return timed;
}
