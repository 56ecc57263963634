import { createHash } from 'node:crypto';
import {
  chmodSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  statSync,
  writeFileSync,
  openSync,
  writeSync,
  closeSync,
} from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import { reasonOf, setAside } from './data-file.ts';
import { openDatabase } from './database.ts';
import { design, newFolder, record, serve, startMain, version } from './testing.ts';

const carId = crypto.randomUUID();
const fileIn = (folder: string): string => join(folder, 'nimble-axle.sqlite');
const migration = (name: string): string => readFileSync(new URL(`migrations/${name}.sql`, import.meta.url), 'utf8');

/** A folder with a database of this program, properly closed, changed by `change`. */
function folderWith(change: (db: Database.Database) => void): string {
  const folder = newFolder();
  openDatabase(folder).db.close();
  const db = new Database(fileIn(folder));
  change(db);
  db.close();
  return folder;
}
function withFile(content: string): string {
  const folder = newFolder();
  writeFileSync(fileIn(folder), content);
  return folder;
}
function anotherPrograms(): string {
  const folder = newFolder();
  const db = new Database(fileIn(folder));
  db.exec('CREATE TABLE recipes (name TEXT)');
  db.close();
  return folder;
}
function folderInItsPlace(): string {
  const folder = newFolder();
  mkdirSync(fileIn(folder));
  return folder;
}
/** Cars enough for several pages of the file, one of which is then overwritten; its log says that the last stop was not clean. */
function damaged(): string {
  const folder = folderWith((db) => {
    db.exec(`WITH RECURSIVE n (i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 400)
      INSERT INTO cars SELECT printf('car-%d', i), 1, json_object('name', printf('%0300d', i)), '', '', NULL FROM n`);
    db.pragma('wal_checkpoint(TRUNCATE)');
  });
  const file = openSync(fileIn(folder), 'r+');
  // The last pages hold the cars: what the database says of itself stays whole.
  const pages = statSync(fileIn(folder)).size / 4096;
  for (let page = pages - 20; page < pages; page++) writeSync(file, Buffer.alloc(3000, 7), 0, 3000, page * 4096 + 500);
  closeSync(file);
  writeFileSync(`${fileIn(folder)}-wal`, '');
  return folder;
}

describe('a start', () => {
  it.each([
    ['written by a newer program', () => folderWith((db) => db.pragma('user_version = 999')), /newer Nimble Axle.*nothing was changed/],
    ['of another program', anotherPrograms, /another program/],
    ['marked by another program', () => folderWith((db) => db.pragma('application_id = 42')), /another program/],
    ['that lacks a table of its version', () => folderWith((db) => db.exec('DROP TABLE own_parts')), /lacks the table own_parts/],
    ['that lacks the meets', () => folderWith((db) => db.exec('DROP TABLE meets')), /lacks the table meets/],
    ['that lacks their entries', () => folderWith((db) => db.exec('DROP TABLE meet_entries')), /lacks the table meet_entries/],
    ['with a table of a later version', () => folderWith((db) => db.pragma('user_version = 1')), /has the table .* of a later one/],
    ['that is no database', () => withFile('not a database, '.repeat(400)), /damaged, or not a database/],
    ['that is damaged', damaged, /is damaged \(/],
    ['that is a folder', folderInItsPlace, /cannot be opened/],
  ])('refuses a database %s in one sentence, and leaves it as it is', (_name, make, words) => {
    const folder = make();
    const path = fileIn(folder);
    const isFile = statSync(path).isFile();
    const before = isFile ? readFileSync(path) : null;
    expect(() => openDatabase(folder)).toThrow(words);
    if (before) expect(readFileSync(path).equals(before)).toBe(true);
  });
  it('takes an empty file for new only in a folder of its own', async () => {
    const alone = withFile('');
    openDatabase(alone).db.close();
    expect(statSync(fileIn(alone)).size).toBeGreaterThan(0);
    const beside = withFile('');
    writeFileSync(join(beside, 'notes.txt'), 'of earlier days');
    expect(() => openDatabase(beside)).toThrow(/is empty, though its folder is not new/);
    expect(statSync(fileIn(beside)).size).toBe(0);
  });
  it('makes folder and files for their owner alone', () => {
    const folder = join(newFolder(), 'data');
    openDatabase(folder);
    expect(statSync(folder).mode & 0o777).toBe(0o700);
    for (const name of readdirSync(folder)) expect([name, statSync(join(folder, name)).mode & 0o777]).toEqual([name, 0o600]);
  });
  it('sets a damaged database aside only when asked to, log and all', () => {
    const folder = damaged();
    const before = readFileSync(fileIn(folder));
    expect(() => openDatabase(folder)).toThrow(/--set-aside/);
    const aside = setAside(folder, new Date('2026-11-21T18:00:00Z'))!;
    expect(readFileSync(aside).equals(before)).toBe(true);
    openDatabase(folder).db.close();
    expect(readdirSync(folder)).toContain('nimble-axle.set-aside-2026-11-21T18-00-00-000Z.sqlite-wal');
  });
  it('of the whole program says so with exit code 1, without a stack', async () => {
    const file = join(newFolder(), 'a-file');
    writeFileSync(file, '');
    const [asFolder, newer] = [await startMain(file), await startMain(folderWith((db) => db.pragma('user_version = 999')))];
    for (const end of [asFolder, newer]) expect(end).toMatchObject({ code: 1, message: expect.not.stringContaining('    at ') });
    expect(asFolder).toMatchObject({ message: expect.stringMatching(/is a file, but the data needs a folder/) });
    expect((newer as { message: string }).message.trim().split('\n')).toHaveLength(1);
  });
  it('into a folder that may not be written says whose right is missing', async () => {
    if (process.getuid?.() !== 0) return;
    const folder = newFolder();
    chmodSync(folder, 0o555);
    // The right is asked for as somebody else than the owner of everything.
    const nobody = 65534;
    expect(await startMain(join(folder, 'data'), [], { uid: nobody })).toMatchObject({
      code: 1,
      message: expect.stringMatching(/You may not write to/),
    });
  });
  it('while another program writes, and on a full disk, is refused in words', () => {
    expect(reasonOf({ code: 'SQLITE_BUSY' }, 'data')).toMatch(/another program/);
    expect(reasonOf({ code: 'ENOSPC' }, 'data')).toMatch(/full/);
    expect(reasonOf(new TypeError('a fault of our own'), 'data')).toBeNull();
    const folder = folderWith((db) => db.pragma('journal_mode = DELETE'));
    const other = new Database(fileIn(folder));
    other.exec('BEGIN EXCLUSIVE');
    expect(() => openDatabase(folder)).toThrow(/is being written by another program/);
    other.close();
    openDatabase(folder).db.close();
  });
});

describe('data of an older program', () => {
  it('is carried over: cars, and runs with the design they were made with', async () => {
    const folder = newFolder();
    const old = new Database(fileIn(folder));
    for (const name of ['001-cars-and-runs', '002-car-versions']) old.exec(migration(name));
    old.pragma('user_version = 2');
    old.prepare("INSERT INTO cars VALUES (?, 1, ?, 'a', 'a', NULL)").run(carId, JSON.stringify(design));
    const ids = [crypto.randomUUID(), crypto.randomUUID()];
    for (const id of ids) old.prepare("INSERT INTO runs VALUES (?, ?, 1, ?, 'a', 'a', NULL)").run(id, carId, JSON.stringify(record));
    old.prepare("INSERT INTO car_versions VALUES (?, ?, 1, ?, 'a', 'a', NULL)").run(crypto.randomUUID(), carId, JSON.stringify(version));
    old.close();
    const { get, db } = serve(folder);
    expect((await get('/cars')).body).toMatchObject([{ id: carId, version: 1, design: { name: 'Limpet' }, runCount: 2 }]);
    for (const id of ids) expect((await get(`/cars/${carId}/runs/${id}`)).body).toEqual({ id, carId, version: 1, record });
    expect((await get(`/cars/${carId}/versions`)).body).toMatchObject([{ record: version }]);
    expect((await get('/parts')).body).toEqual([]);
    expect(db.prepare('SELECT count(*) AS n FROM designs').get()).toEqual({ n: 1 });
  });
});

describe('designs of version 1 of their format', () => {
  const reference = (name: string): unknown =>
    JSON.parse(readFileSync(new URL(`../core/files/reference/first-version/${name}.json`, import.meta.url), 'utf8'));
  const told = reference('car-design') as { mass: number; driveLoadShare: number };
  it('are told in version 2, what stood there is kept, and runs still share the design they were made with', async () => {
    const folder = newFolder();
    const old = new Database(fileIn(folder));
    old.function('sha256', (text) => createHash('sha256').update(String(text)).digest('hex'));
    for (const name of ['001-cars-and-runs', '002-car-versions']) old.exec(migration(name));
    const [versionId, runs] = [crypto.randomUUID(), [crypto.randomUUID(), crypto.randomUUID()]];
    old.prepare("INSERT INTO cars VALUES (?, 1, ?, 'a', 'a', NULL)").run(carId, JSON.stringify({ ...told, mass: 0.3 }));
    old.prepare('UPDATE cars SET design = ?, version = 2').run(JSON.stringify(told));
    old
      .prepare("INSERT INTO car_versions VALUES (?, ?, 1, ?, 'a', 'a', NULL)")
      .run(versionId, carId, JSON.stringify(reference('car-version')));
    for (const id of runs)
      old.prepare("INSERT INTO runs VALUES (?, ?, 1, ?, 'a', 'a', NULL)").run(id, carId, JSON.stringify(reference('run-record')));
    for (const name of ['003-own-parts', '004-designs-once']) old.exec(migration(name));
    old.pragma('user_version = 4');
    old.close();
    const { get, db } = serve(folder);
    const { body } = await get(`/cars/${carId}`);
    expect(body).toMatchObject({ version: 2, design: { version: 2, weighed: { driveLoadShare: told.driveLoadShare } } });
    expect((body as { design: { weighed: { mass: number } } }).design.weighed.mass).toBeCloseTo(told.mass, 9);
    expect((await get(`/cars/${carId}/history`)).body).toMatchObject([{ version: 1, design: { weighed: { mass: 0.3 } } }]);
    expect((await get(`/cars/${carId}/versions`)).body).toMatchObject([{ record: { design: { version: 2 } } }]);
    for (const id of runs) expect((await get(`/cars/${carId}/runs/${id}`)).body).toMatchObject({ record: { design: { version: 2 } } });
    expect(db.prepare('SELECT count(*) AS n FROM designs').get()).toEqual({ n: 1 });
    // What a save of the same design is stored under.
    const [{ id: shared, design: text }] = db.prepare('SELECT id, design FROM designs').all() as [{ id: string; design: string }];
    expect(createHash('sha256').update(text).digest('hex')).toBe(shared);
    expect(db.prepare('SELECT design_id, runs FROM run_tallies').all()).toEqual([{ design_id: shared, runs: 2 }]);
    expect(db.prepare('SELECT place, count(*) AS n FROM first_version_designs GROUP BY place ORDER BY place').all()).toEqual(
      ['car_history', 'car_versions', 'cars', 'designs'].map((place) => ({ place, n: 1 })),
    );
  });
});

describe('while it runs', () => {
  it('answers a full disk in words and changes nothing', async () => {
    const { put, get, db } = serve();
    await put(`/cars/${carId}`, { baseVersion: 0, design });
    db.pragma(`max_page_count = ${db.pragma('page_count', { simple: true }) as number}`);
    const log = () => put(`/cars/${carId}/runs/${crypto.randomUUID()}`, { baseVersion: 0, record: { ...record, note: 'n'.repeat(2000) } });
    let answer = await log();
    for (let k = 0; k < 20 && answer.status === 200; k++) answer = await log();
    expect(answer.status).toBe(507);
    expect((await get(`/cars/${carId}`)).status).toBe(200);
  });
  it('does not say "kept" once the data folder was moved away, and goes on when it is back', async () => {
    const { put, get, folder } = serve();
    await put(`/cars/${carId}`, { baseVersion: 0, design });
    renameSync(folder, `${folder}-away`);
    const answer = await put(`/cars/${carId}`, { baseVersion: 1, design: { ...design, wheelbase: 0.2 } });
    expect(answer.status).toBe(507);
    expect(answer.body).toMatchObject({ title: 'The data folder was moved or deleted' });
    expect((await get(`/cars/${carId}`)).status).toBe(200);
    renameSync(`${folder}-away`, folder);
    expect((await put(`/cars/${carId}`, { baseVersion: 1, design: { ...design, wheelbase: 0.2 } })).status).toBe(200);
  });
  it('reads on while another program holds the write lock, answers a write with 503, and writes when it is free', async () => {
    const { put, get, folder } = serve();
    await put(`/cars/${carId}`, { baseVersion: 0, design });
    const other = new Database(fileIn(folder));
    other.exec('BEGIN IMMEDIATE');
    const write = put(`/cars/${carId}`, { baseVersion: 1, design: { ...design, wheelbase: 0.2 } }).then((answer) => answer);
    const reads = await Promise.all([get('/cars'), get(`/cars/${carId}`)]);
    expect(reads.map(({ status }) => status)).toEqual([200, 200]);
    const answer = await write;
    expect(answer.status).toBe(503);
    expect(answer.headers['retry-after']).toBe('1');
    expect(answer.body).toMatchObject({ title: 'Another program is writing to the data' });
    other.exec('COMMIT');
    other.close();
    expect((await put(`/cars/${carId}`, { baseVersion: 1, design: { ...design, wheelbase: 0.2 } })).status).toBe(200);
  });
});

describe('killed without warning', () => {
  it('loses no run it has acknowledged', async () => {
    const folder = newFolder();
    const started = await startMain(folder);
    if (!('url' in started)) throw new Error(started.message);
    const send = (path: string, body: object) =>
      fetch(`${started.url}/api${path}`, { method: 'PUT', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) });
    await send(`/cars/${carId}`, { baseVersion: 0, design });
    const acknowledged: string[] = [];
    for (;;) {
      const id = crypto.randomUUID();
      const answer = await send(`/cars/${carId}/runs/${id}`, { baseVersion: 0, record }).catch(() => null);
      if (!answer) break;
      if (answer.ok) acknowledged.push(id);
      if (acknowledged.length === 60) started.process.kill('SIGKILL');
    }
    const { db } = openDatabase(folder);
    const kept = new Set(
      db
        .prepare<[], { id: string }>('SELECT id FROM runs')
        .all()
        .map(({ id }) => id),
    );
    expect(acknowledged.length).toBeGreaterThanOrEqual(60);
    expect(acknowledged.filter((id) => !kept.has(id))).toEqual([]);
  });
});
