import { memo } from 'react';
import { goalOfKind, type Goal } from '../../core/brief/goal.ts';
import plain from '../ui/plain.module.css';
import { QuantityField } from '../ui/quantity-field.tsx';
import { aboveLimit } from '../ui/number-limits.ts';
import styles from './brief-fields.module.css';
import { ChoiceSelect } from './choice-select.tsx';

export const GOAL_WORDS: Readonly<Record<Goal['kind'], string>> = {
  furthest: 'go furthest',
  'at-least': 'go at least …',
  'quickest-to': 'be quickest to …',
  'closest-to': 'stop closest to …',
  'stop-within': 'stop within a zone …',
  straightest: 'go furthest, straight',
  'within-lane': 'go furthest within a lane',
  'through-gap': 'go through a gap',
  carry: 'carry the heaviest load over …',
  'load-distance': 'load × distance',
  'highest-edge': 'climb the highest twig',
  'speed-and-distance': 'speed and distance combined',
};

const DISTANCE_WORDS: Partial<Readonly<Record<Goal['kind'], string>>> = {
  'through-gap': 'Gap at',
  'stop-within': 'Middle of the zone at',
  carry: 'Carried over',
  'speed-and-distance': 'Timed to',
};

const WIDTH_WORDS = { 'through-gap': 'Width of the gap', 'stop-within': 'Depth of the zone', 'within-lane': 'Width of the lane' } as const;

interface GoalFieldsProps {
  /** `Aim` unless told otherwise. */
  readonly label?: string;
  readonly goal: Goal;
  readonly onChange: (goal: Goal) => void;
}

/** What is asked, and its figures. */
export const GoalFields = memo(function GoalFields({ label = 'Goal', goal, onChange }: GoalFieldsProps) {
  return (
    <>
      <ChoiceSelect label={label} value={goal.kind} options={GOAL_WORDS} onChange={(kind) => onChange(goalOfKind(kind, goal))} />
      {goal.kind === 'speed-and-distance' && (
        <p className={`${plain.caption} ${plain.muted}`}>For a place in each instead, use two rounds of a brief, both with points.</p>
      )}
      <div className={styles.pair}>
        {'distance' in goal && (
          <QuantityField
            size="small"
            label={DISTANCE_WORDS[goal.kind] ?? 'Goal distance'}
            quantity="distance"
            value={goal.distance}
            check={aboveLimit(0, 1000, 'm')}
            onChange={(distance) => onChange({ ...goal, distance })}
          />
        )}
        {'width' in goal && (
          <QuantityField
            size="small"
            label={WIDTH_WORDS[goal.kind]}
            quantity="distance"
            value={goal.width}
            check={aboveLimit(0, 100, 'm')}
            onChange={(width) => onChange({ ...goal, width })}
          />
        )}
        {'weight' in goal && (
          <QuantityField
            size="small"
            label="Metres for each 1 m/s"
            quantity="count"
            value={goal.weight}
            check={aboveLimit(0, 1000, '')}
            onChange={(weight) => onChange({ ...goal, weight })}
          />
        )}
      </div>
    </>
  );
});
