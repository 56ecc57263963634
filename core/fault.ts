/** Something wrong with what was given: the key by its path, and what is wrong with it or would put it right. */
export interface Fault {
  readonly path: string;
  readonly message: string;
}

/** One line for people: `motor.leverLength: must be > 0`. */
export const faultLine = ({ path, message }: Fault): string => (path === '' ? message : `${path}: ${message}`);
