/** The names of what a table lists: `labelsOf({ a4: { label: 'A4' } }) // { a4: 'A4' }` */
export const labelsOf = <K extends string>(table: Readonly<Record<K, { readonly label: string }>>): Record<K, string> =>
  Object.fromEntries(Object.entries<{ readonly label: string }>(table).map(([key, { label }]) => [key, label])) as Record<K, string>;
