const ALONG: Readonly<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 };

/** How many steps an arrow key asks for: one, with Shift ten, with Alt a tenth; null for any other key. */
export function arrowStep({ key, shiftKey, altKey }: Pick<React.KeyboardEvent, 'key' | 'shiftKey' | 'altKey'>): number | null {
  const along = ALONG[key];
  return along === undefined ? null : along * (shiftKey ? 10 : altKey ? 0.1 : 1);
}
