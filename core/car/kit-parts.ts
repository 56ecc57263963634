import type { OwnPart, PartKind } from './part-slots.ts';
import { CATALOGUE } from './parts.ts';

/** What a thing of a kit list is taken for. */
export interface KitPart {
  readonly kind: PartKind;
  readonly like: string;
}

/** Words that say what kind a thing is, whatever else it is called; the first that is found counts. */
const KIND_WORDS: readonly (readonly [word: RegExp, kind: PartKind])[] = [
  [/\btrap/, 'trap'],
  [/\b(tyre|tire|balloon|glove|glue|tack)/, 'tyre'],
  [/\b(bead|washer)/, 'washer'],
  [/\b(bearing|screw eye|straw)/, 'bearing'],
  [/\b(lever|arm)\b/, 'lever'],
  [/\bband/, 'band'],
  [/\b(wheel|disc|cap|lid|roller|spool|cup)/, 'wheel'],
  [/\b(axle|skewer|dowel|pencil|wire|rod|stick|tube)/, 'axle'],
  [/\b(deck|body|card|board|bottle|jug|balsa|plywood)/, 'body'],
];

/** Words of a name that tell it from others, in the singular: `Optical discs` → optical, disc; sizes of bands too. */
const wordsOf = (name: string): string[] =>
  name
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word.length > 2 || /^\d+$/.test(word))
    .map((word) => word.replace(/(?<=[^s])s$/, ''));

/**
 * What a thing of a kit list is most like in the catalogue: of the kind that its words say, the entry with most words in common; null where
 * nothing is. `partOfKit('rubber bands, size 33') // { kind: 'band', like: '33' }`
 */
export function partOfKit(name: string): KitPart | null {
  const small = name.toLowerCase();
  const said = new Set(wordsOf(name));
  const kinds = KIND_WORDS.filter(([word]) => word.test(small)).map(([, kind]) => kind);
  let best: (KitPart & { readonly score: number }) | null = null;
  for (const kind of kinds)
    for (const [like, { label }] of Object.entries(CATALOGUE[kind])) {
      const score = wordsOf(label).filter((word) => said.has(word)).length + (said.has(like) ? 1 : 0);
      if (score > (best?.score ?? 0)) best = { kind, like, score };
    }
  if (best) return { kind: best.kind, like: best.like };
  // Of its kind, but like nothing in particular: most like the first.
  const [kind] = kinds;
  return kind ? { kind, like: Object.keys(CATALOGUE[kind])[0]! } : null;
}

/** A thing of a kit as a part of the builder's own: nothing of it is measured yet. */
export const ownPartOfKit = (name: string, count: number, { kind, like }: KitPart): OwnPart => ({
  format: 'nimble-axle/own-part',
  version: 1,
  kind,
  name,
  like,
  values: {},
  evidence: 'estimated',
  count,
});
