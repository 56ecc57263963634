/** Each car’s line by its dashes, in the graph and from above. */
export const DASHES = ['', '8 4', '2 4', '12 4 2 4', '4 2', '16 6'] as const;
