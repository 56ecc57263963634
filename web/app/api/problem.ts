import type { FaultWithMessage } from '../../../core/fault-words.ts';

/** The body of an error answer, RFC 9457. */
export interface Problem {
  readonly title: string;
  readonly detail?: string;
  readonly faults?: readonly FaultWithMessage[];
  readonly current?: unknown;
}

/** What went wrong, for the one who waits: the server's words, or that it cannot be reached. */
export function problemOf(error: unknown): Problem {
  const answer = error as { status?: unknown; data?: unknown };
  if (typeof answer.status === 'number' && typeof answer.data === 'object' && answer.data !== null) return answer.data as Problem;
  return { title: 'The program cannot be reached', detail: 'What you typed is saved in this browser. Is the program still running?' };
}

/** Whether the program gave no answer at all. */
export const isGone = (error: unknown): boolean => typeof (error as { status?: unknown } | undefined)?.status !== 'number';

/** Answers that will be others later: not joined, too slow, at another address, too early, too many. */
const TRANSIENT: ReadonlySet<number> = new Set([401, 408, 421, 425, 429]);
/** Whether an answer is about what was asked: asked again, it will be no other. */
export const isRefused = (error: unknown): boolean => {
  const { status } = (error ?? {}) as { status?: unknown };
  return typeof status === 'number' && status >= 400 && status < 500 && !TRANSIENT.has(status);
};

/** One line for a message. */
export const problemLine = (error: unknown): string => {
  const { title, detail, faults } = problemOf(error);
  const reasons = faults?.map(({ path, message }) => `${path} ${message}`).join('; ') ?? detail;
  return reasons ? `${title}: ${reasons}` : title;
};
