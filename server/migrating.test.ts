import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { describe, expect, it } from 'vitest';
import { newEntry, newMeet, newResult } from '../core/meet/new-meet.ts';
import { APPLICATION_ID } from './data-file.ts';
import { brief, newFolder, serve } from './testing.ts';

const MIGRATIONS = new URL('migrations/', import.meta.url);

/** A data folder as a program of an earlier data version left it. */
function folderOfVersion(version: number, fill: (db: Database.Database) => void): string {
  const folder = newFolder();
  const db = new Database(join(folder, 'nimble-axle.sqlite'));
  for (const name of ['sha256', 'second_version']) db.function(name, (text) => text);
  for (const name of readdirSync(MIGRATIONS).sort().slice(0, version)) db.exec(readFileSync(new URL(name, MIGRATIONS), 'utf8'));
  db.pragma(`user_version = ${version}`);
  db.pragma(`application_id = ${APPLICATION_ID}`);
  fill(db);
  db.close();
  return folder;
}

describe('data of an earlier program', () => {
  it('with a meet: its entries become rows in their order, and results are counted in the order they came', async () => {
    const id = crypto.randomUUID();
    const entries = ['Tern', 'Limpet', 'Slow Ferry'].map((car) => newEntry({ id: crypto.randomUUID(), crew: `crew of ${car}`, car }));
    const meet = newMeet({ name: 'Winter evening', date: '2026-11-21', brief, seed: 7, entries });
    const results = [2, 0, 1].map((at) => ({
      id: crypto.randomUUID(),
      result: newResult({
        meet: id,
        entry: entries[at]!.id,
        round: 0,
        run: 0,
        at: `2026-11-21T18:0${at}:00.000Z`,
        by: '',
        outcome: { kind: 'ran', distance: at + 5 },
      }),
    }));
    const folder = folderOfVersion(9, (db) => {
      db.prepare('INSERT INTO meets VALUES (?, 3, ?, ?, ?, NULL)').run(id, JSON.stringify(meet), '2026-11-21', '2026-11-21');
      const insert = db.prepare('INSERT INTO meet_results (id, version, result, created_at, updated_at) VALUES (?, 1, ?, ?, ?)');
      results.forEach((one, i) => insert.run(one.id, JSON.stringify(one.result), `2026-11-21T18:1${i}`, `2026-11-21T18:1${i}`));
    });
    const { get } = serve(folder);
    expect((await get(`/meets/${id}`)).body).toMatchObject({ version: 3, meet: { name: 'Winter evening', entries: [] } });
    expect(((await get(`/meets/${id}/entries`)).body as { entry: { entry: object } }[]).map(({ entry }) => entry.entry)).toEqual(entries);
    expect(((await get(`/meets/${id}/results`)).body as { results: { id: string; number: number }[] }).results).toMatchObject(
      results.map((one, i) => ({ id: one.id, number: i + 1, result: one.result })),
    );
  });
});
