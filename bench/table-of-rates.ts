/** Lines of a table that tells what was found, beside what is asked. */
export const percent = (part: number): string => `${(100 * part).toFixed(1)} %`;
export const meanOf = (list: readonly number[]): number => list.reduce((sum, value) => sum + value, 0) / list.length;
export const fractionOf = <T>(list: readonly T[], is: (one: T) => boolean): string => percent(list.filter(is).length / list.length);
/** A line of the table: what was found, and the goal. */
export const line = (what: string, found: string, asked: string): void => console.log(`| ${what} | ${found} | ${asked} |`);
export const numbered = (count: number): number[] => Array.from({ length: count }, (_, n) => n);
