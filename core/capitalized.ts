/** A text with a capital first. `capitalized('fix it') // 'Fix it'` */
export const capitalized = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
