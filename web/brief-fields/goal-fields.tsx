import { memo } from 'react';
import { GOAL_FORMS, goalOfKind, type Goal } from '../../core/brief/goal.ts';
import plain from '../ui/plain.module.css';
import { QuantityField } from '../ui/quantity-field.tsx';
import { aboveLimit } from '../ui/number-limits.ts';
import styles from './brief-fields.module.css';
import { ChoiceSelect } from './choice-select.tsx';

/** Every kind of goal, by its title. */
export const GOAL_TITLES = Object.fromEntries(Object.entries(GOAL_FORMS).map(([kind, { title }]) => [kind, title])) as Readonly<
  Record<Goal['kind'], string>
>;

interface GoalFieldsProps {
  /** `Aim` by default. */
  readonly label?: string;
  readonly goal: Goal;
  readonly onChange: (goal: Goal) => void;
}

/** The goal, and its figures. */
export const GoalFields = memo(function GoalFields({ label = 'Goal', goal, onChange }: GoalFieldsProps) {
  const { distanceLabel = 'Goal distance', widthLabel = 'Width', hint } = GOAL_FORMS[goal.kind];
  return (
    <>
      <ChoiceSelect label={label} value={goal.kind} options={GOAL_TITLES} onChange={(kind) => onChange(goalOfKind(kind, goal))} />
      {hint && <p className={`${plain.caption} ${plain.muted}`}>{hint}</p>}
      <div className={styles.pair}>
        {'distance' in goal && (
          <QuantityField
            size="small"
            label={distanceLabel}
            quantity="distance"
            value={goal.distance}
            check={aboveLimit(0, 1000, 'm')}
            onChange={(distance) => onChange({ ...goal, distance })}
          />
        )}
        {'width' in goal && (
          <QuantityField
            size="small"
            label={widthLabel}
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
