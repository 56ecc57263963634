import { problemOf } from './api/problem.ts';

/** Tries of a change that others were quicker with: each is made on what they saved. */
const MAX_TRIES = 8;

interface Versioned<T> {
  readonly version: number;
  readonly content: T;
}

/** What became of a change: the answer it was saved with, or why it was not. */
export type Saved<S> = { readonly kind: 'saved'; readonly stored: S } | { readonly kind: 'failed'; readonly error: unknown };

/**
 * Saves a change, not the document that it came to: where another has saved meanwhile, the same change is made to what they saved.
 * `contentOf` tells the content of what the server has.
 */
export async function saveChange<T, S extends { readonly version: number }>(
  before: Versioned<T>,
  change: (content: T) => T,
  save: (baseVersion: number, content: T) => Promise<{ readonly data?: S; readonly error?: unknown }>,
  contentOf: (stored: S) => T,
): Promise<Saved<S>> {
  let { version, content } = before;
  let error: unknown;
  for (let tried = 0; tried < MAX_TRIES; tried++) {
    const answer = await save(version, change(content));
    if (answer.data) return { kind: 'saved', stored: answer.data };
    ({ error } = answer);
    const { current } = problemOf(error);
    if (!current) break;
    ({ version } = current as S);
    content = contentOf(current as S);
  }
  return { kind: 'failed', error };
}
