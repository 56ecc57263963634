import { valueIn, type OwnUnit } from '../units/quantity.ts';

/** A weight that is known by one piece: of a disc by its diameter, of a rod by its length, of a sheet by its length and width. */
export type Piece = 'disc' | 'rod' | 'sheet';

/** m: the piece that a weight is told of where none was weighed. */
export const USUAL_PIECE = { diameter: 0.12, length: 0.3, width: 0.06 } as const;

/** Sizes of the piece that was weighed, m. */
export type PieceSizes = Partial<Readonly<Record<keyof typeof USUAL_PIECE, number>>>;

/** kg of one piece for 1 kg/m² of a disc or sheet, or 1 kg/m of a rod: its area or length. */
export function pieceExtent(piece: Piece, sizes: PieceSizes): number {
  const { diameter, length, width } = { ...USUAL_PIECE, ...sizes };
  return { disc: (Math.PI * diameter ** 2) / 4, rod: length, sheet: length * width }[piece];
}

/** What is known of a value of a part. */
export interface NamedValue extends OwnUnit {
  readonly key: string;
  readonly label: string;
  /** A weight that is typed and told by one piece; files have it as `label` says. */
  readonly piece?: Piece;
}

const inMm = (metres: number): number => Math.round(1000 * metres);

/** A value of a part in words, its weights by the piece: `weight of 300 mm 5.4 g`. `values`: all of the part's, SI. */
export function describePartValue(value: NamedValue, values: Readonly<Record<string, number | undefined>>): string {
  const stored = values[value.key];
  if (stored === undefined) return '';
  if (!value.piece) return `${value.label} ${valueIn(value, stored, 4)}`;
  const { diameter } = values;
  const extent = pieceExtent(value.piece, value.piece === 'disc' && diameter !== undefined ? { diameter } : {});
  const of = { disc: 'one', rod: `${inMm(USUAL_PIECE.length)} mm`, sheet: `${inMm(USUAL_PIECE.length)} × ${inMm(USUAL_PIECE.width)} mm` }[
    value.piece
  ];
  return `weight of ${of} ${valueIn({ unit: 'g', factor: 1e-3 }, stored * extent, 4)}`;
}
