/** What lets styles of this page in that are put in by the program (Content Security Policy). */
export const styleNonce = (): string | undefined => document.querySelector<HTMLMetaElement>('meta[name="style-nonce"]')?.content;
