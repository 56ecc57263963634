import type { Request } from 'express';
import type { Fault } from '../../core/fault.ts';

/** Things of a list that one answer may hold. */
const MOST = 500;
const USUAL = 100;
const LAST = 1e9;

/** Which part of a list a request asks for (`?offset=200&limit=100`), or what is wrong with the question. */
export function parsePagination(
  { query }: Request,
  usual = USUAL,
): { readonly offset: number; readonly limit: number; readonly faults: readonly Fault[] } {
  const faults: Fault[] = [];
  const whole = (key: string, otherwise: number, least: number, most: number): number => {
    const text = query[key];
    if (text === undefined) return otherwise;
    const value = typeof text === 'string' && /^\d{1,10}$/.test(text) ? Number(text) : NaN;
    if (value >= least && value <= most) return value;
    faults.push({ path: key, code: 'expected', what: `a whole number from ${least} to ${most}` });
    return otherwise;
  };
  return { offset: whole('offset', 0, 0, LAST), limit: whole('limit', usual, 1, MOST), faults };
}
