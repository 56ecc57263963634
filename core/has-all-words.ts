/** What stands before a word. */
const BEGINNINGS = [' ', '-', '(', '⌀', '/', '“'] as const;

/** Whether every word that is looked for begins one of a text's, in any order and letters: `hasAllWords('Lever length', 'length LEV') // true` */
export function hasAllWords(text: string, sought: string): boolean {
  const words = text.toLowerCase();
  return sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => words.startsWith(word) || BEGINNINGS.some((before) => words.includes(before + word)));
}
