/** Given to a group of words on a drawing: the ground about each letter is stored clear of lines. */
export const CLEAR_GROUND = {
  stroke: 'var(--mui-palette-workbench-ground)',
  strokeWidth: 5,
  paintOrder: 'stroke',
  strokeLinejoin: 'round',
} as const;
