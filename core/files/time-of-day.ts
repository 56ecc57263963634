/** RFC 3339, section 5.6, without the leap second: a day, a time and where it was read. */
const RFC_3339 = /^(\d{4})-(\d{2})-(\d{2})T([01]\d|2[0-3]):[0-5]\d:[0-5]\d(\.\d+)?(Z|[+-]([01]\d|2[0-3]):[0-5]\d)$/i;
const LAST_DAY = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

const isLeap = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;

/**
 * A moment as UTC to the millisecond (`2026-11-21T19:30:00+01:00` → `2026-11-21T18:30:00.000Z`); null for what is no moment:
 * a leap second, an offset without minutes, the 30th of February, a year beyond 0000 to 9999.
 */
export function inUtc(text: string): string | null {
  const found = RFC_3339.exec(text);
  if (!found) return null;
  const [year, month, day] = found.slice(1, 4).map(Number) as [number, number, number];
  if (month < 1 || month > 12 || day < 1 || day > LAST_DAY[month - 1]! || (month === 2 && day === 29 && !isLeap(year))) return null;
  const utc = new Date(text.toUpperCase()).toISOString();
  return /^\d{4}-/.test(utc) ? utc : null;
}
