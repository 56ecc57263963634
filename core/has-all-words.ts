/** Whether every word that is looked for is among those of a text, in any order and letters: `hasAllWords('Lever length', 'length LEV') // true` */
export const hasAllWords = (text: string, sought: string): boolean =>
  sought
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.toLowerCase().includes(word));
