import { describe, expect, it } from 'vitest';
import { saveChange } from './save-change.ts';

interface Stored {
  readonly version: number;
  readonly session: { readonly name: string; readonly damp: boolean };
}

describe('a change that is saved', () => {
  /** A server that somebody else writes to before each of the first `others` writes. */
  const server = (others: number) => {
    let stored: Stored = { version: 1, session: { name: 'evening', damp: false } };
    let left = others;
    return {
      stored: () => stored,
      save: async (baseVersion: number, session: Stored['session']) => {
        if (left-- > 0) stored = { version: stored.version + 1, session: { ...stored.session, name: `evening ${stored.version}` } };
        if (baseVersion !== stored.version) return { error: { status: 409, data: { title: 'changed elsewhere', current: stored } } };
        stored = { version: stored.version + 1, session };
        return { data: stored };
      },
    };
  };
  const begun = { version: 1, content: { name: 'evening', damp: false } };
  const tick = (session: Stored['session']) => ({ ...session, damp: true });
  it('is made to what others saved meanwhile: a name that was typed just before it stays', async () => {
    const { save, stored } = server(2);
    expect(await saveChange(begun, tick, save, ({ session }: Stored) => session)).toMatchObject({ kind: 'saved', stored: { version: 4 } });
    expect(stored().session).toEqual({ name: 'evening 2', damp: true });
  });
  it('is given up with the reason where others never rest, or where it is refused', async () => {
    expect(await saveChange(begun, tick, server(100).save, ({ session }: Stored) => session)).toMatchObject({
      kind: 'failed',
      error: { status: 409 },
    });
    const refused = { status: 403, data: { title: 'No' } };
    expect(
      await saveChange(
        begun,
        tick,
        async () => ({ error: refused }),
        ({ session }: Stored) => session,
      ),
    ).toEqual({ kind: 'failed', error: refused });
  });
});
