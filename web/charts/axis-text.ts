import { FONTS, type Tokens } from '../ui/tokens.ts';

/** Figures along an axis. */
export const axisText = (tokens: Tokens) => ({ fontFamily: FONTS.figures, fontSize: 12, color: tokens.muted });

const nameText = (tokens: Tokens) => ({ color: tokens.muted, fontFamily: FONTS.text, fontSize: 13 });

/** The name below the right end of an axis across. */
export const acrossName = (tokens: Tokens) => ({
  nameLocation: 'end',
  nameTextStyle: { ...nameText(tokens), align: 'right', verticalAlign: 'top', padding: [24, 0, 0, 0] },
});

/** The name above an axis upward, set back over its figures by `back` px. */
export const upName = (tokens: Tokens, back: number) => ({
  nameTextStyle: { ...nameText(tokens), align: 'left', padding: [0, 0, 0, -back] },
});
