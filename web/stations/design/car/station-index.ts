import { FLOORS } from '../../../../core/car/catalogue.ts';
import { GOAL_TITLES } from '../../../brief-fields/goal-fields.tsx';
import { LIMITED } from '../../../brief-fields/limit-fields.tsx';
import { hasAllWords } from '../../../../core/has-all-words.ts';
import { TABS, type TabKey } from '../tabs.ts';
import type { OpenGroup } from './group.tsx';

/** Where an entry of the index leads: a group of the car, a tab below the drawing, or something that opens. */
export type IndexTarget =
  | { readonly kind: 'group'; readonly group: OpenGroup }
  | { readonly kind: 'tab'; readonly tab: TabKey }
  | { readonly kind: 'versions' | 'my-parts' };

/** Something of the Design station that is no row of the car: a field of the goal or the floor, or an action. */
export interface IndexEntry {
  readonly label: string;
  /** What else it may be looked for by. */
  readonly words: readonly string[];
  readonly target: IndexTarget;
}

const goal = (label: string, ...words: readonly string[]): IndexEntry => ({ label, words, target: { kind: 'group', group: 'aim' } });
const floor = (label: string, ...words: readonly string[]): IndexEntry => ({ label, words, target: { kind: 'group', group: 'floor' } });

const TAB_WORDS: Readonly<Record<TabKey, readonly string[]>> = {
  curve: ['tractive force', 'grip limit', 'resistance'],
  sweep: ['one size', 'best value'],
  map: ['two sizes'],
  matters: ['sensitivity', 'uncertainty'],
  best: ['search', 'optimum'],
  winding: ['tape sleeve', 'spool'],
};

export const STATION_INDEX: readonly IndexEntry[] = [
  goal('Goal', ...Object.values(GOAL_TITLES), 'aim', 'distance', 'gap', 'lane', 'zone', 'brief', 'round'),
  ...LIMITED.map(([, label]) => goal(label, 'limits', 'rules')),
  floor('Stretch of another floor', ...Object.values(FLOORS).map(({ label }) => label), 'mat under the launch', 'uphill'),
  floor('Twig or step', 'edge', 'height'),
  floor('Line to wall', 'room', 'length', 'hall'),
  floor('Lane width', 'corridor', 'door'),
  { label: 'Bands of another size', words: ['chain', 'end to end', 'unlike', 'mixed'], target: { kind: 'group', group: 'motor' } },
  { label: 'Flick test', words: ['build quality', 'care'], target: { kind: 'group', group: 'straight' } },
  ...TABS.map(([tab, label]): IndexEntry => ({ label, words: TAB_WORDS[tab], target: { kind: 'tab', tab } })),
  { label: 'Versions', words: ['save as a version', 'compare', 'restore', 'ghost'], target: { kind: 'versions' } },
  { label: 'My parts', words: ['own parts', 'stock', 'kit list', 'csv'], target: { kind: 'my-parts' } },
];

/** Entries that have all the words that were typed. */
export const indexFound = (sought: string): IndexEntry[] =>
  STATION_INDEX.filter(({ label, words }) => hasAllWords([label, ...words].join(' '), sought));
