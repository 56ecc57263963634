import { describe, expect, it } from 'vitest';
import { addressOf, RESOURCE_KINDS, RESOURCES } from '../core/schema/resources.ts';
import { SERVED } from './resources.ts';
import { serve } from './testing.ts';

/** Tables that hold what belongs to those of resources. */
const BESIDE = [
  'car_history',
  'crew_cards',
  'crew_devices',
  'crew_ticks',
  'designs',
  'first_version_designs',
  'replaced_content',
  'run_tallies',
  'sharing',
];

describe('what is stored', () => {
  const { db, get } = serve();
  const tables = db
    .prepare<[], { name: string }>("SELECT name FROM sqlite_schema WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name")
    .all()
    .map(({ name }) => name);
  it('is listed kind by kind, and no table stands outside of that list', () =>
    expect(tables).toEqual([...RESOURCE_KINDS.map((kind) => SERVED[kind].table), ...BESIDE].toSorted()));
  it.each(RESOURCE_KINDS)('%s: has its columns, an address, and can be removed where that is said', async (kind) => {
    const { table, column } = SERVED[kind];
    const columns = db
      .prepare<[], { name: string }>(`SELECT name FROM pragma_table_xinfo('${table}')`)
      .all()
      .map(({ name }) => name);
    expect(columns).toEqual(expect.arrayContaining(['id', 'version', column, 'created_at', 'updated_at', 'deleted_at']));
    const id = crypto.randomUUID();
    const answer = await get(`${addressOf(kind, id)}/${id}`);
    expect([answer.status, answer.body.title]).not.toEqual([404, 'No such address']);
    expect(RESOURCES[kind].isRemovable || ['photo', 'entry', 'result'].includes(kind)).toBe(true);
  });
});
