import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { describeChanges } from '../../../../core/car/difference.ts';
import { formatFigure } from '../../../../core/brief/aim-words.ts';
import { inRounds, paretoFront, type Candidate } from '../../../../core/explore/candidates.ts';
import { ChoiceSelect } from '../../../brief-fields/choice-select.tsx';
import plain from '../../../ui/plain.module.css';
import { useUnits } from '../../../ui/use-units.ts';
import styles from './rounds-table.module.css';

interface TwoRoundsProps {
  readonly design: CarDesign;
  readonly front: readonly Candidate[];
  readonly onApply: (candidate: Candidate) => void;
}

/** Cars of which none is better in both of two rounds, to choose from. */
export function TwoRounds({ design, front, onApply }: TwoRoundsProps) {
  const units = useUnits();
  const { rounds } = design.aim.contest!;
  const [one, setOne] = useState(0);
  const [other, setOther] = useState(1);
  const options = Object.fromEntries(rounds.map(({ name }, i) => [`${i}`, name]));
  const cars = useMemo(
    () =>
      paretoFront(front, inRounds(one, other)).filter(({ rounds: made }) => [one, other].some((i) => Number.isFinite(made![i]!.figure))),
    [front, one, other],
  );
  return (
    <section aria-label="Two rounds against each other" className={plain.rows}>
      <h3 className={plain.strong}>Two rounds against each other</h3>
      <div className={styles.choice}>
        <ChoiceSelect label="First round" value={`${one}`} options={options} onChange={(next) => setOne(Number(next))} />
        <ChoiceSelect label="Second round" value={`${other}`} options={options} onChange={(next) => setOther(Number(next))} />
      </div>
      {one === other ? (
        <p className={plain.text}>Choose two different rounds.</p>
      ) : (
        <div className={styles.scrolls} tabIndex={0} role="region" aria-label="Cars between both rounds">
          <table className={styles.rounds}>
            <thead>
              <tr>
                <th scope="col">{rounds[one]!.name}</th>
                <th scope="col">{rounds[other]!.name}</th>
                <th scope="col">change</th>
                <td />
              </tr>
            </thead>
            <tbody>
              {cars.map((car, i) => (
                <tr key={i}>
                  <td>{formatFigure(rounds[one]!.goal, car.rounds![one]!.figure, units)}</td>
                  <td>{formatFigure(rounds[other]!.goal, car.rounds![other]!.figure, units)}</td>
                  <td className={styles.change}>{describeChanges(design, car.design, units)}</td>
                  <td>
                    <Button size="small" aria-label={`Apply car ${i + 1} of both rounds`} onClick={() => onApply(car)}>
                      Apply
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}
