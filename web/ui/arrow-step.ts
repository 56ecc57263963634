const ALONG: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 };

/** How many steps a key asks for: an arrow one, with Shift ten, with Alt a tenth; a page key ten; null for any other key. */
export function arrowStep({ key, shiftKey, altKey }: Pick<React.KeyboardEvent, 'key' | 'shiftKey' | 'altKey'>): number | null {
  const along = ALONG[key];
  if (along === undefined) return null;
  return Math.abs(along) > 1 ? along : along * (shiftKey ? 10 : altKey ? 0.1 : 1);
}
