/** A bound that a value does not keep, SI units of the key it stands at. */
export interface Limit {
  readonly is: 'least' | 'above' | 'most' | 'below';
  readonly value: number;
  /** Where the bound comes from, in words. */
  readonly because?: string;
}

/** Something wrong with what was given: the key by its path, and what is wrong with it or would put it right. */
export interface Fault {
  readonly path: string;
  /** In words, numbers in SI units: for files and the command line. Screens print the limit in the builder's units. */
  readonly message: string;
  /** The bound, where that is what is wrong. */
  readonly limit?: Limit;
}

/** One line for people: `motor.leverLength: must be > 0`. */
export const faultLine = ({ path, message }: Fault): string => (path === '' ? message : `${path}: ${message}`);

const WORDS: Readonly<Record<Limit['is'], string>> = { least: 'at least', above: 'above', most: 'at most', below: 'below' };

/** A bound in words, its value as `print` has it: `must be at least 24 g, what the wheels and axles alone weigh`. */
export const limitWords = ({ is, value, because }: Limit, print: (value: number) => string): string =>
  `must be ${WORDS[is]} ${print(value)}${because ? `, ${because}` : ''}`;

/** The fault of a value that does not keep a bound. */
export const beyond = (path: string, limit: Limit): Fault => ({ path, message: limitWords(limit, String), limit });
