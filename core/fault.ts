/** A bound that a value does not keep, SI units of the key it is at. */
export interface Bound {
  readonly is: 'least' | 'above' | 'most' | 'below';
  readonly value: number;
  /** Where the bound comes from, in words. */
  readonly because?: string;
}

/** What can be wrong with a value, each kind with what a sentence about it needs. */
export type Problem =
  | { readonly code: 'bound'; readonly limit: Bound }
  /** Against another key, whose path is `other`. */
  | { readonly code: 'against'; readonly must: 'exceed' | 'reach' | 'not-exceed'; readonly other: string; readonly because?: string }
  | { readonly code: 'missing'; readonly because?: string }
  | { readonly code: 'unknown-key' }
  | { readonly code: 'unknown-kind' }
  | { readonly code: 'choice'; readonly among: readonly string[] }
  /** What stands there is of another shape: `a number`, `null: the roller is the drive wheel`. */
  | { readonly code: 'expected'; readonly what: string }
  | { readonly code: 'blank' }
  | {
      readonly code: 'too-large';
      readonly of: 'values' | 'characters' | 'items' | 'keys' | 'pixels';
      readonly count: number;
      readonly most: number;
    }
  | { readonly code: 'not-json'; readonly reason: string }
  | { readonly code: 'not-valid'; readonly reason: string }
  | { readonly code: 'more'; readonly count: number }
  | { readonly code: 'not-of-part'; readonly part: string }
  | { readonly code: 'out-of-range'; readonly toward: 'low' | 'high' }
  | { readonly code: 'out-of-place' }
  | { readonly code: 'orphan' }
  /** An archive says that it holds so many, and holds fewer. */
  | { readonly code: 'lacking'; readonly said: number; readonly found: number }
  | { readonly code: 'not-of-this-car' }
  | { readonly code: 'own-ancestor' }
  /** The lever passes the line from axle to pivot before it is released, or starts beyond it when cocked. */
  | { readonly code: 'lever-past-line'; readonly at: 'cocked' | 'released' }
  /** Lever and string nearly in line; `others` are keys that help too. */
  | { readonly code: 'lever-in-line'; readonly at: 'cocked' | 'released'; readonly others: readonly string[] }
  /** Stretched beyond breaking, before it is wound or by winding; stretch ratios. */
  | { readonly code: 'band-breaks'; readonly unwound: number | null; readonly most: number };

/** Something wrong with what was given: the key by its path, and what is wrong with it. Words are made at the edge. */
export type Fault = Problem & { readonly path: string };

/** The fault of a value that does not keep a bound. */
export const boundFault = (path: string, limit: Bound): Fault => ({ path, code: 'bound', limit });
