import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';

/** Bytes of what a device is known by. */
const TOKEN_BYTES = 32;

/** What a device is known by once it has joined; only its hash is stored here. */
export const newToken = (): string => randomBytes(TOKEN_BYTES).toString('hex');
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Whether two codes are the same; how long it takes tells nothing of where they differ. */
export function isSameCode(typed: string, right: string): boolean {
  const [a, b] = [Buffer.from(typed), Buffer.from(right)];
  return a.length === b.length && timingSafeEqual(a, b);
}
