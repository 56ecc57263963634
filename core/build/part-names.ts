/** What of the drawn car a part is. */
export type PartPlace =
  | 'body'
  | 'drive-wheel'
  | 'other-wheel'
  | 'drive-axle'
  | 'other-axle'
  | 'bearing'
  | 'tyre'
  | 'motor'
  | 'lever'
  | 'string'
  | 'hook'
  | 'ballast'
  | 'sleeve';

/** Something that is cut to length, m. */
export interface CutLength {
  readonly id:
    'drive-axle' | 'other-axle' | 'drive-bearing' | 'other-bearing' | 'string' | 'lever' | 'tape' | 'tyre' | 'arm' | 'stiffener' | 'tubing';
  readonly name: string;
  readonly count: number;
  readonly length: number;
  /** How it is made up, in a few words. */
  readonly words: (format: (metres: number) => string) => string;
}
