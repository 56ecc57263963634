import { formatFault } from '../../core/fault-words.ts';
import { Buffer } from 'node:buffer';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Ajv } from 'ajv';
import addFormats from 'ajv-formats';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { beforeEach, describe, expect, it } from 'vitest';
import { byKind, RESOURCE_KINDS } from '../../core/schema/resources.ts';
import type { ArchiveReport } from '../../core/schema/stored.ts';
import { randomGenerator } from '../../core/numerics/low-discrepancy.ts';
import { loadDemo } from '../demo/load-demo.ts';
import { SERVED } from '../resources.ts';
import { design, newFolder, part, record, savedArchive, serve, version, type Served } from '../testing.ts';
import { photo } from '../attack/hostile-requests.ts';
import { openArchive } from './open.ts';
import { NotAnArchive } from './zip-files.ts';

let full: Served;
beforeEach(() => {
  full = serve();
  loadDemo(full.db);
});

async function saved(served: Served): Promise<Uint8Array> {
  const { bytes, disposition } = await savedArchive(served);
  expect(disposition).toMatch(/^attachment; filename="?nimble-axle-\d{4}-\d\d-\d\d\.zip"?$/);
  return bytes;
}
const send = ({ api }: Served, zip: Uint8Array, query = '') =>
  api.post(`/api/archive${query}`).set('Host', '127.0.0.1').type('application/zip').send(Buffer.from(zip));
async function open(served: Served, zip: Uint8Array, query = ''): Promise<ArchiveReport> {
  const answer = await send(served, zip, query);
  expect([answer.status, answer.body]).toEqual([200, expect.anything()]);
  return answer.body as ArchiveReport;
}
/** The archive with one of its files changed by hand. */
function changed(zip: Uint8Array, place: string, change: (text: string) => string): Uint8Array {
  const files = unzipSync(zip);
  return zipSync({ ...files, [place]: strToU8(change(strFromU8(files[place] ?? new Uint8Array()))) });
}
/** All that is stored, to be compared. */
const contents = ({ db }: Served): unknown =>
  [...RESOURCE_KINDS.map((kind) => SERVED[kind].table), 'car_history', 'replaced_content'].map((table) =>
    db
      .prepare(`SELECT * FROM ${table} ORDER BY 1, 2`)
      .all()
      .map((row) => ({ ...(row as object), created_at: 0, updated_at: 0 })),
  );
const NOTHING = byKind(() => 0);

describe('an archive', () => {
  it('of all cars comes back whole in an empty garage, and opened again finds everything the same', async () => {
    const [first] = (await full.get('/cars')).body as { id: string; version: number; design: typeof design }[];
    for (const wheelbase of [0.2, 0.21, 0.22])
      await full.put(`/cars/${first!.id}`, {
        baseVersion: Math.round((wheelbase - 0.2) * 100) + 1,
        design: { ...first!.design, wheelbase },
      });
    await full.put(`/photos/${crypto.randomUUID()}`, { baseVersion: 0, photo });
    const [run] = ((await full.get(`/cars/${first!.id}/runs`)).body as { runs: { id: string; record: object; version: number }[] }).runs;
    await full.put(`/cars/${first!.id}/runs/${run!.id}`, {
      baseVersion: run!.version,
      record: { ...run!.record, note: 'measured again', design },
    });
    const zip = await saved(full);
    const empty = serve();
    const look = await open(empty, zip);
    expect(look).toMatchObject({
      same: NOTHING,
      taken: NOTHING,
      differing: 0,
      faulty: 0,
      manifest: { holds: { cars: 5, runs: 32, parts: 6, briefs: 1, photos: 1, earlier: 3 } },
    });
    expect((await empty.get('/cars')).body).toEqual([]);
    const { taken } = await open(empty, zip, '?take');
    expect(taken).toEqual(look.fresh);
    expect(taken).toMatchObject({ car: 5, run: 32, part: 6, brief: 1, photo: 1 });
    expect(contents(empty)).toEqual(contents(full));
    for (const { id } of (await full.get('/cars')).body as { id: string }[])
      expect((await empty.get(`/cars/${id}/runs?limit=500`)).body).toEqual((await full.get(`/cars/${id}/runs?limit=500`)).body);
    expect(await open(empty, zip, '?take')).toMatchObject({ fresh: NOTHING, same: taken, taken: NOTHING });
  });
  it('holds files that the published schemas take', async () => {
    const carId = crypto.randomUUID();
    await full.put(`/cars/${carId}`, { baseVersion: 0, design });
    await full.put(`/cars/${carId}`, { baseVersion: 1, design: { ...design, wheelbase: 0.31 } });
    const run = `/cars/${carId}/runs/${crypto.randomUUID()}`;
    await full.put(run, { baseVersion: 0, record });
    await full.put(run, { baseVersion: 1, record: { ...record, note: 'measured again' } });
    const ajv = new Ajv({ discriminator: true, strict: false });
    addFormats.default(ajv);
    const folder = new URL('../../schemas/', import.meta.url);
    for (const name of readdirSync(folder)) ajv.addSchema(JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as object);
    const seen = new Set<string>();
    for (const [place, bytes] of Object.entries(unzipSync(await saved(full)))) {
      const value = JSON.parse(strFromU8(bytes)) as { format: string; version: number };
      seen.add(value.format);
      expect([place, ajv.validate(`urn:${value.format.replace('/', ':')}:${value.version}`, value), ajv.errorsText()]).toEqual([
        place,
        true,
        'No errors',
      ]);
    }
    expect([...seen].map((format) => format.split('/')[1]).sort()).toEqual([
      'archive',
      'brief',
      'car-design',
      'car-history',
      'car-version',
      'changes',
      'meet',
      'meet-entry',
      'meet-result',
      'own-part',
      'run-list',
      'session',
    ]);
  });
  it('overwrites nothing and brings nothing back unless it is asked for by name', async () => {
    const zip = await saved(full);
    const [car, other] = (await full.get('/cars')).body as { id: string; version: number; design: typeof design }[];
    await full.put(`/cars/${car!.id}`, { baseVersion: 1, design: { ...car!.design, wheelbase: 0.31 } });
    const [{ id: partId }] = (await full.get('/parts')).body as [{ id: string }];
    await full.remove(`/parts/${partId}`);
    await full.remove(`/cars/${other!.id}`);
    const look = await open(full, zip, '?take');
    expect(look).toMatchObject({
      faulty: 0,
      taken: NOTHING,
      different: [{ what: 'car', id: car!.id, name: car!.design.name }],
      differing: 1,
      gone: 2,
    });
    expect((await full.get(`/cars/${car!.id}`)).body).toMatchObject({ design: { wheelbase: 0.31 } });
    expect(await open(full, zip, `?take&replace=${car!.id}&restore=${partId.toUpperCase()}`)).toMatchObject({ taken: { car: 1, part: 1 } });
    expect((await full.get(`/cars/${car!.id}`)).body).toMatchObject({ version: 3, design: car!.design });
    expect((await full.get(`/cars/${car!.id}/history`)).body).toMatchObject([{ version: 2, design: { wheelbase: 0.31 } }, { version: 1 }]);
    expect((await full.get(`/cars/${other!.id}`)).status).toBe(404);
    await open(full, zip, '?take&restore=all');
    expect((await full.get(`/cars/${other!.id}`)).status).toBe(200);
  });
  it('is one moment: what is written while it is being saved is not in it', async () => {
    const [answer] = await Promise.all([
      saved(full),
      ...Array.from({ length: 30 }, (_, k) => full.put(`/parts/${crypto.randomUUID()}`, { baseVersion: 0, part: { ...part, count: k } })),
    ]);
    const files = unzipSync(answer);
    const { holds } = JSON.parse(strFromU8(files['manifest.json']!)) as { holds: { parts: number } };
    expect(Object.keys(files).filter((place) => place.startsWith('parts/'))).toHaveLength(holds.parts);
  });
  it('takes versions in the order they grew, however the zip is ordered', async () => {
    const [carId, first, second] = [crypto.randomUUID(), crypto.randomUUID(), crypto.randomUUID()];
    const source = serve();
    await source.put(`/cars/${carId}`, { baseVersion: 0, design });
    await source.put(`/cars/${carId}/versions/${first}`, { baseVersion: 0, record: version });
    await source.put(`/cars/${carId}/versions/${second}`, { baseVersion: 0, record: { ...version, parent: first } });
    const backwards = zipSync(Object.fromEntries(Object.entries(unzipSync(await saved(source))).reverse()));
    const target = serve();
    expect(await open(target, backwards, '?take')).toMatchObject({ taken: { car: 1, version: 2 }, faulty: 0 });
  });
  it('with bad things in it gives the rest, and names what is bad', async () => {
    const zip = await saved(full);
    const [{ id }] = (await full.get('/cars')).body as [{ id: string }];
    const broken = changed(
      changed(zip, `cars/${id}/car.json`, () => '{"name": "Tern"}'),
      'letters/to-nobody.txt',
      () => 'hello',
    );
    const target = serve();
    const report = await open(target, broken, '?take');
    expect(report.taken.car).toBe(4);
    const told = report.faults.map(formatFault).join('\n');
    expect(told).toContain(`cars/${id}/car.json: rest: is missing`);
    expect(told).toMatch(/letters\/to-nobody\.txt: not a JSON file/);
    expect(told).toContain('belongs to a car');
  });
  it('opened while others ask holds nobody up', async () => {
    const zip = await saved(full);
    const target = serve();
    const { url, close } = await target.listen();
    const waits: number[] = [];
    let isOpen = true;
    const opening = open(target, zip, '?take').finally(() => (isOpen = false));
    while (isOpen) {
      const begun = performance.now();
      expect((await fetch(`${url}/parts`)).status).toBe(200);
      waits.push(performance.now() - begun);
    }
    expect((await opening).taken).toMatchObject({ car: 5, run: 32 });
    expect(waits.length).toBeGreaterThan(3);
    close();
  });
  it('that lacks what its manifest tells of says so, and how many', async () => {
    const files = unzipSync(await saved(full));
    const [result] = Object.keys(files).filter((place) => place.startsWith('results/'));
    const { faults, faulty } = await open(
      serve(),
      zipSync(Object.fromEntries(Object.entries(files).filter(([place]) => place !== result))),
    );
    expect([faulty, faults.map(formatFault)]).toEqual([1, [expect.stringContaining('holds.results: should be 19, but 18 are there')]]);
  });
  it('brings the entries of a meet that were once kept within it', async () => {
    const zip = await saved(full);
    const files = unzipSync(zip);
    const [place] = Object.keys(files).filter((name) => name.startsWith('meets/'));
    const entries = Object.entries(files)
      .filter(([name]) => name.startsWith('entries/'))
      .map(([, bytes]) => (JSON.parse(strFromU8(bytes)) as { entry: { id: string } }).entry);
    const early = changed(zip, place!, (text) => JSON.stringify({ ...(JSON.parse(text) as object), entries }));
    const withoutRows = zipSync(Object.fromEntries(Object.entries(unzipSync(early)).filter(([name]) => !name.startsWith('entries/'))));
    const target = serve();
    expect(await open(target, withoutRows, '?take')).toMatchObject({ taken: { meet: 1, entry: 5, result: 19 } });
    expect(await open(target, zip, '?take')).toMatchObject({ taken: NOTHING, differing: 0 });
  });
  it.each([
    ['20 million empty things', '{},'.repeat(5_000_000), /runs-1.json in it is too large|values/],
    [
      '2,000 empty runs',
      `{"format":"nimble-axle/run-list","version":1,"designs":{},"runs":[${'{},'.repeat(2000)}{}]}`,
      /has 2001 items; at most 1000/,
    ],
    ['a million and more values', `[${'0,'.repeat(1_100_000)}0]`, /has 1000001 values/],
  ])('with %s is told to be too large before that is read', async (_name, text, words) => {
    const zip = await saved(full);
    const [{ id }] = (await full.get('/cars')).body as [{ id: string }];
    const answer = await send(
      serve(),
      changed(zip, `cars/${id}/runs-1.json`, () => text),
    );
    const told = answer.status === 422 ? [answer.body.detail as string] : (answer.body as ArchiveReport).faults.map(formatFault);
    expect(told.join()).toMatch(words);
  });
  it('with any bit of it flipped is refused, or says what is wrong, or is the same: never another content', async () => {
    const source = serve();
    const carId = crypto.randomUUID();
    await source.put(`/cars/${carId}`, { baseVersion: 0, design });
    await source.put(`/cars/${carId}/runs/${crypto.randomUUID()}`, { baseVersion: 0, record });
    await source.put(`/parts/${crypto.randomUUID()}`, { baseVersion: 0, part });
    const zip = await saved(source);
    const path = join(newFolder(), 'flipped.zip');
    const random = randomGenerator(1);
    const outcomes = { refused: 0, told: 0, same: 0 };
    for (let n = 0; n < 200; n++) {
      const bytes = zip.slice();
      bytes[Math.floor(random() * bytes.length)]! ^= 1 << Math.floor(random() * 8);
      writeFileSync(path, bytes);
      const report = await openArchive(source.store, path, { kind: 'look' }).catch((error: unknown) => {
        expect(error).toBeInstanceOf(NotAnArchive);
        return null;
      });
      if (report === null) outcomes.refused++;
      else if (report.faulty > 0) outcomes.told++;
      else {
        outcomes.same++;
        expect([n, report.fresh, report.differing, report.same]).toEqual([n, NOTHING, 0, { ...NOTHING, car: 1, run: 1, part: 1 }]);
      }
    }
    expect(outcomes.refused).toBeGreaterThan(100);
    expect(outcomes.same).toBeGreaterThan(5);
  });
  it.each([
    [
      'a newer program’s',
      (zip: Uint8Array) => changed(zip, 'manifest.json', (text) => text.replace('"version": 1', '"version": 2')),
      /newer Nimble Axle/,
    ],
    ['a text', (_zip: Uint8Array) => strToU8('Dear Skerrow'), /is not a zip file/],
    ['nothing', () => new Uint8Array(), /is empty/],
    ['a zip of something else', () => zipSync({ 'notes.json': strToU8('{}') }), /holds no manifest/],
    ['half an archive', (zip: Uint8Array) => zip.slice(0, 9000), /cut off/],
  ])('is refused in words when it is %s, and changes nothing', async (_name, make, words) => {
    const zip = await saved(full);
    const target = serve();
    const answer = await send(target, make(zip));
    expect(answer.status).toBe(422);
    expect(answer.body.detail).toMatch(words);
    expect((await target.get('/cars')).body).toEqual([]);
  });
});
