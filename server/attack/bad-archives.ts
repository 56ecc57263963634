/** Archives nobody means well with: small ones that unpack to much, and lists far longer than any that is saved. */
import { strToU8, zipSync } from 'fflate';
import { CAR, design, record } from './hostile-requests.ts';

const manifest = {
  format: 'nimble-axle/archive',
  version: 1,
  savedAt: '2026-11-21T18:00:00Z',
  holds: { cars: 1, versions: 0, earlier: 0, runs: 0, parts: 0 },
};
const car = { 'manifest.json': strToU8(JSON.stringify(manifest)), [`cars/${CAR}/car.json`]: strToU8(JSON.stringify(design)) };
const runList = (runs: string, designs = '{}'): string =>
  `{"format":"nimble-axle/run-list","version":1,"designs":${designs},"runs":[${runs}]}`;
const id = (n: number): string => `00000000-0000-4000-8000-${n.toString(16).padStart(12, '0')}`;

export interface BadArchive {
  readonly name: string;
  readonly zip: Uint8Array;
}

/** Each is a few kilobytes to some megabytes as it is sent. */
export function* badArchives(): Generator<BadArchive> {
  const withRuns = (text: string): Uint8Array => zipSync({ ...car, [`cars/${CAR}/runs-1.json`]: strToU8(text) }, { level: 9 });
  yield { name: '57 MB of empty things', zip: withRuns('{},'.repeat(19_000_000)) };
  yield { name: '3 million empty runs', zip: withRuns(runList(`${'{},'.repeat(3_000_000)}{}`)) };
  yield { name: '8 million empty runs', zip: withRuns(runList(`${'{},'.repeat(8_000_000)}{}`)) };
  yield { name: 'lists 5 million deep', zip: withRuns('['.repeat(5_000_000)) };
  const large = strToU8(`"${'x'.repeat(16_000_000)}"`);
  const many = Array.from({ length: 40 }, (_, n) => [`cars/${CAR}/runs-${n}.json`, large] as const);
  yield { name: '40 files of 16 MB each', zip: zipSync({ ...car, ...Object.fromEntries(many) }, { level: 1 }) };
  const versions = Array.from({ length: 4000 }, (_, n) => [
    `cars/${CAR}/versions/${id(4000 - n)}.json`,
    strToU8(
      JSON.stringify({
        format: 'nimble-axle/car-version',
        version: 1,
        name: `v${n}`,
        note: '',
        keptAt: record.ranAt,
        parent: n === 3999 ? null : id(4000 - n - 1),
        change: '',
        design,
      }),
    ),
  ]);
  yield {
    name: '4,000 versions before their parents',
    zip: zipSync({ ...(Object.fromEntries(versions) as Record<string, Uint8Array>), ...car }),
  };
  const runs = Array.from(
    { length: 20_000 },
    (_, n) => `{"id":"${id(n)}","design":"d","record":${JSON.stringify({ ...record, design: undefined })}}`,
  );
  const lists = Array.from({ length: 40 }, (_, n) => [
    `cars/${CAR}/runs-${n + 1}.json`,
    strToU8(runList(runs.slice(500 * n, 500 * (n + 1)).join(','), JSON.stringify({ d: design }))),
  ]);
  yield { name: '20,000 runs before their car', zip: zipSync({ ...(Object.fromEntries(lists) as Record<string, Uint8Array>), ...car }) };
}
