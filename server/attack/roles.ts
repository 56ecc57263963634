import { addressOf, byKind, RESOURCE_KINDS, RESOURCES, type ResourceKind } from '../../core/schema/resources.ts';
import { RIGHTS } from '../../core/schema/rights.ts';
import { HALL_ROLES, type HallRole, type SharingState } from '../../core/schema/sharing.ts';
import { startMain } from '../testing.ts';
import { CAR } from './hostile-requests.ts';
import { anew, oneOfEach, storeEach } from './one-of-each.ts';

/** What came of requests of phones: how many, and those answered otherwise than the list of rights says. */
export interface RoleLoadTest {
  readonly asked: number;
  readonly wrongly: readonly string[];
}

const METHODS = ['GET', 'HEAD', 'PUT', 'POST', 'DELETE', 'PATCH'] as const;
/** Requests for each role, kind and method: under ids that are there, that are not, and under another owner. */
const ROUNDS = 3;

/** A program of its own is asked as each role, for every kind of thing, by every method. */
export async function runRoleLoadTest(folder: string, random: () => number): Promise<RoleLoadTest> {
  process.env.NIMBLE_AXLE_SHARE_ON = '127.0.0.1';
  process.env.NIMBLE_AXLE_SHARE_PORT = '0';
  const started = await startMain(folder);
  if (!('url' in started)) throw new Error(started.message);
  const json = { 'content-type': 'application/json' };
  const own = (method: string, path: string, body?: object): Promise<Response> =>
    fetch(`${started.url}/api${path}`, { method, headers: json, ...(body && { body: JSON.stringify(body) }) });
  const ids = byKind(() => CAR);
  const contents = oneOfEach(ids);
  const listOf = (kind: ResourceKind): string => addressOf(kind, RESOURCES[kind].owner === null ? undefined : CAR);
  await storeEach(ids, RESOURCE_KINDS, async (path, body) => (await own('PUT', path, body)).status);
  const everything = async (): Promise<string> =>
    JSON.stringify(await Promise.all(RESOURCE_KINDS.map(async (kind) => (await own('GET', `${listOf(kind)}/${CAR}`)).text())));
  const before = await everything();
  const { addresses, codes } = ((await (await own('POST', '/sharing', {})).json()) as { shared: NonNullable<SharingState['shared']> })
    .shared;
  let asked = 0;
  const wrongly: string[] = [];
  const askAs = async (role: HallRole): Promise<void> => {
    const joined = await fetch(`${addresses[0]!}/api/join`, { method: 'POST', headers: json, body: JSON.stringify({ code: codes[role] }) });
    const cookie = joined.headers.get('set-cookie')!.split(';')[0]!;
    const ask = (method: string, path: string, body?: object): Promise<Response> =>
      fetch(`${addresses[0]!}/api${path}`, { method, headers: { ...json, cookie }, ...(body && { body: JSON.stringify(body) }) });
    if (role === 'crew') await ask('PUT', '/joined', { carId: CAR });
    for (let round = 0; round < ROUNDS; round++)
      for (const kind of RESOURCE_KINDS)
        for (const method of METHODS) {
          const rights = RIGHTS[kind][role] ?? {};
          const baseVersion = random() < 0.5 ? 0 : 1;
          const id = baseVersion === 1 || random() < 0.5 ? CAR : crypto.randomUUID();
          const isNew = id !== CAR;
          const content = anew(kind, contents[kind], id);
          const changed = { ...content, name: 'changed', note: 'changed', why: 'changed' };
          const body = method === 'PUT' ? { baseVersion, [RESOURCES[kind].key]: isNew ? content : changed } : undefined;
          const { status } = await ask(method, `${listOf(kind)}/${id}`, body);
          asked++;
          const mayRead = (method === 'GET' || method === 'HEAD') && rights.see;
          // A crew's picture is one that a run of its car names: a new one is not.
          const mayAdd = method === 'PUT' && isNew && rights.add !== undefined && kind !== 'photo';
          if (status < 300 && !mayRead && !mayAdd) wrongly.push(`${role} ${method} ${kind} → ${status}`);
          if (status >= 400 && mayAdd) wrongly.push(`${role} ${method} ${kind} (new) → ${status}`);
          if (status >= 500) wrongly.push(`${role} ${method} ${kind} → ${status}`);
        }
  };
  for (const role of HALL_ROLES) await askAs(role);
  if ((await everything()) !== before) wrongly.push('something that was there has changed');
  started.process.kill('SIGKILL');
  return { asked, wrongly };
}
