/**
 * The 32 signs of a card's code: digits and capitals without I, L, O and U (Crockford's Base 32), so that eight of them are 40 bits and none
 * is taken for another: what is typed as I, L or O is read as 1, 1 or 0.
 */
export const CARD_SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
export const CARD_LENGTH = 8;

/** A code as it is stored, from what was typed; null for what cannot be one. `readCardCode(' 7kq4-ombi ') // '7KQ40MB1'` */
export function readCardCode(typed: string): string | null {
  const code = typed.toUpperCase().replaceAll(/[\s-]/g, '').replaceAll(/[IL]/g, '1').replaceAll('O', '0');
  return code.length === CARD_LENGTH && [...code].every((sign) => CARD_SIGNS.includes(sign)) ? code : null;
}

/** A code as it is printed. `formatCardCode('7KQ40MB1') // '7KQ4-0MB1'` */
export const formatCardCode = (code: string): string => `${code.slice(0, CARD_LENGTH / 2)}-${code.slice(CARD_LENGTH / 2)}`;
