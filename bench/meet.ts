/**
 * A meet under load: 40 phones write and 40 pages follow on one server, a result from each phone every second for a minute. Nothing may be lost; the
 * 95th percentile of an answer is asked to be under 100 ms. And the standings of 60 cars with 20 runs each, asked to take under 5 ms.
 *
 *   npm run bench:meet -- [--seconds 60]
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import { parseArgs } from 'node:util';
import { quantileSorted } from 'simple-statistics';
import type { Brief } from '../core/brief/brief.ts';
import { standingResults, type SavedResult, type Meet } from '../core/meet/meet.ts';
import { newEntry, newMeet, newResult } from '../core/meet/new-meet.ts';
import { standingsOf } from '../core/meet/scoring.ts';
import type { ResultPage } from '../core/schema/stored.ts';
import { startMain } from '../server/testing.ts';

const PHONES = 40;
const FOLLOWERS = 40;
const SECOND = 1000;
const { values } = parseArgs({ options: { seconds: { type: 'string', default: '60' } } });
const brief = JSON.parse(readFileSync(new URL('../server/demo/skerrow-lull-trophy.brief.json', import.meta.url), 'utf8')) as Brief;

const meetOf = (count: number, runs: number): Meet =>
  newMeet({
    name: 'load',
    date: '2026-11-21',
    brief: {
      ...brief,
      rounds: Array.from({ length: 5 }, (_, i) => ({
        ...brief.rounds[0]!,
        name: `round ${i}`,
        goal: { kind: 'furthest' as const },
        runs,
        points: [10, 7, 5, 3, 1],
      })),
    },
    seed: 1,
    lanes: 3,
    drops: 1,
    entries: Array.from({ length: count }, (_, i) => newEntry({ id: crypto.randomUUID(), crew: `crew ${i}`, car: `car ${i}` })),
  });
let written = 0;
const resultOf = (meet: string, entry: string, round: number, run: number): SavedResult => ({
  id: crypto.randomUUID(),
  number: ++written,
  result: newResult({
    meet,
    entry,
    round,
    run,
    at: new Date().toISOString(),
    by: 'a phone',
    outcome: { kind: 'ran', distance: 5 + 10 * Math.random() },
  }),
});

function timeStandings(): void {
  const meet = meetOf(60, 4);
  const results = meet.entries.flatMap(({ id }) =>
    Array.from({ length: 20 }, (_, i) => resultOf(crypto.randomUUID(), id, Math.floor(i / 4), i % 4)),
  );
  const standing = standingResults(results);
  const times = Array.from({ length: 50 }, () => {
    const begun = performance.now();
    standingsOf(meet, standing);
    return performance.now() - begun;
  }).toSorted((a, b) => a - b);
  console.log(
    `standings of 60 cars × 20 runs: median ${quantileSorted(times, 0.5).toFixed(2)} ms, 95 % ${quantileSorted(times, 0.95).toFixed(2)} ms (asked: under 5)`,
  );
}

async function load(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'nimble-axle-bench-'));
  const started = await startMain(join(folder, 'data'));
  if (!('url' in started)) throw new Error(started.message);
  const url = started.url.replace(/\/$/, '');
  const meetId = crypto.randomUUID();
  const meet = meetOf(PHONES, 20);
  const put = (path: string, body: object): Promise<Response> =>
    fetch(`${url}/api${path}`, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
  await put(`/meets/${meetId}`, { baseVersion: 0, meet });
  // Forty pages follow: each gets every result.
  const followers = await Promise.all(Array.from({ length: FOLLOWERS - 1 }, () => fetch(`${url}/api/meets/live`)));
  const heard = { bytes: 0 };
  for (const { body } of followers)
    void (async () => {
      for await (const part of body as unknown as AsyncIterable<Uint8Array>) heard.bytes += part.length;
    })().catch(() => undefined);
  const board = await fetch(`${url}/api/meets/live`);
  let heardByBoard = 0;
  const reader = board.body!.pipeThrough(new TextDecoderStream()).getReader();
  const following = (async () => {
    for (let part = await reader.read(); !part.done; part = await reader.read()) heardByBoard += part.value.split('written').length - 1;
  })();
  const times: number[] = [];
  let acknowledged = 0;
  const phone = async (n: number): Promise<void> => {
    await new Promise((resolve) => setTimeout(resolve, (SECOND * n) / PHONES));
    for (let second = 0; second < Number(values.seconds); second++) {
      const { id, result } = resultOf(meetId, meet.entries[n]!.id, Math.floor(second / 20) % 5, second % 20);
      const begun = performance.now();
      const answer = await put(`/meets/${meetId}/results/${id}`, { baseVersion: 0, result });
      times.push(performance.now() - begun);
      if (answer.ok) acknowledged++;
      await new Promise((resolve) => setTimeout(resolve, Math.max(0, SECOND - (performance.now() - begun))));
    }
  };
  await Promise.all(Array.from({ length: PHONES }, (_, n) => phone(n)));
  const stored = (await (await fetch(`${url}/api/meets/${meetId}/results?limit=1`)).json()) as ResultPage;
  times.sort((a, b) => a - b);
  console.log(
    `${PHONES} phones, ${values.seconds} s: ${acknowledged} results acknowledged, ${stored.count} kept, ${heardByBoard} told to the board; each of ${FOLLOWERS} pages heardByBoard ${(heard.bytes / (FOLLOWERS - 1) / 1e3).toFixed(0)} kB; answers: median ${quantileSorted(times, 0.5).toFixed(1)} ms, 95 % ${quantileSorted(times, 0.95).toFixed(1)} ms (asked: under 100)`,
  );
  await reader.cancel();
  await following.catch(() => {});
  started.process.kill();
  rmSync(folder, { recursive: true });
}

timeStandings();
await load();
