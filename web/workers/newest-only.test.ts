import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { newestOnly } from './newest-only.ts';

const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));
/** Work that is answered by hand. */
function byHand() {
  const begun: { question: string; answer: (words: string) => void; break: () => void }[] = [];
  const ask = newestOnly(
    (question: string) =>
      new Promise<string>((resolve, reject) => begun.push({ question, answer: resolve, break: () => reject(new Error('gone')) })),
    async () => {},
  );
  return { begun, ask };
}

describe('of questions asked one after another', () => {
  beforeEach(() => void vi.spyOn(console, 'error').mockImplementation(() => {}));
  afterEach(() => void vi.restoreAllMocks());

  it('only the newest is worked on next, and each answer goes to whoever asked', async () => {
    const { begun, ask } = byHand();
    const heard: string[] = [];
    for (const question of ['first', 'second', 'third'])
      ask(
        question,
        (words) => heard.push(words),
        () => heard.push('failed'),
      );
    await settled();
    begun[0]!.answer(`to ${begun[0]!.question}`);
    await settled();
    begun[1]?.answer(`to ${begun[1].question}`);
    await settled();
    expect(begun.map(({ question }) => question)).toEqual(['third']);
    expect(heard).toEqual(['to third']);
  });
  it('the answer to one taken back is dropped, though it was begun', async () => {
    const { begun, ask } = byHand();
    const heard: string[] = [];
    const takeBack = ask(
      'old',
      () => heard.push('old'),
      () => heard.push('failed'),
    );
    await settled();
    takeBack();
    ask(
      'new',
      () => heard.push('new'),
      () => heard.push('failed'),
    );
    begun[0]!.answer('');
    await settled();
    begun[1]!.answer('');
    await settled();
    expect(heard).toEqual(['new']);
  });
  it('one that breaks says so, unless it was taken back, and the next is worked on all the same', async () => {
    const { begun, ask } = byHand();
    const heard: string[] = [];
    ask(
      'breaks',
      () => heard.push('answered'),
      () => heard.push('failed'),
    );
    await settled();
    begun[0]!.break();
    await settled();
    const takeBack = ask(
      'breaks unheard',
      () => heard.push('answered'),
      () => heard.push('failed'),
    );
    await settled();
    takeBack();
    begun[1]!.break();
    await settled();
    ask(
      'works',
      () => heard.push('works'),
      () => heard.push('failed'),
    );
    await settled();
    begun[2]!.answer('');
    await settled();
    expect(heard).toEqual(['failed', 'works']);
  });
});
