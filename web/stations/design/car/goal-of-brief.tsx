import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { aimsAtAll, roundOf, type Brief } from '../../../../core/brief/brief.ts';
import { roundSentences } from '../../../../core/brief/rule-sheet.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { formatIn } from '../../../../core/units/quantity.ts';
import { ChoiceSelect } from '../../../brief-fields/choice-select.tsx';
import { marksOfRound } from '../../../brief-fields/floor-marks.ts';
import { FloorStrip } from '../../../brief-fields/floor-strip.tsx';
import type { Edit } from '../../../open-car/design-slice.ts';
import plain from '../../../ui/plain.module.css';
import { useUnits } from '../../../ui/use-units.ts';

interface OfBriefProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly brief: Brief;
}

/** By what best car, sweep, map and changes are ranked. */
const JUDGED_BY = { all: 'all rounds, in points', round: 'the round shown' } as const;

const ToTheBrief = ({ carId }: Pick<OfBriefProps, 'carId'>) => (
  <Button size="small" variant="outlined" component={Link} to={`/cars/${carId}/brief`}>
    Change it in the brief
  </Button>
);

/** The floor of the round that the car is seen in. */
export function FloorOfBrief({ carId, design, brief }: OfBriefProps) {
  const units = useUnits();
  const round = roundOf(design, brief);
  const marks = useMemo(() => marksOfRound(round, units), [round, units]);
  return (
    <div className={plain.rows}>
      <p className={plain.text}>
        {round.floor}, as the brief “{brief.name}” sets it for the round “{round.name}”.
      </p>
      <FloorStrip name={round.floor} floor={design.floor} marks={marks} />
      <ToTheBrief carId={carId} />
    </div>
  );
}

/** The round that the car is seen in, in words; another is chosen here, or the brief is left. */
export function GoalOfBrief({ carId, design, brief, edit }: OfBriefProps & { readonly edit: Edit }) {
  const units = useUnits();
  const { rounds } = brief;
  const round = roundOf(design, brief);
  const place = `${rounds.indexOf(round)}`;
  return (
    <div className={plain.rows}>
      <ChoiceSelect
        label="Round"
        value={place}
        options={Object.fromEntries(rounds.map(({ name }, i) => [`${i}`, name]))}
        onChange={(next) => edit((car) => (car.brief ? { ...car, brief: { ...car.brief, round: Number(next) } } : car))}
      />
      {rounds.length > 1 && (
        <ChoiceSelect
          label="Judged by"
          value={aimsAtAll(design, brief) ? 'all' : 'round'}
          options={JUDGED_BY}
          onChange={(aim) => edit((car) => (car.brief ? { ...car, brief: { ...car.brief, aim } } : car))}
        />
      )}
      <p className={plain.text}>{roundSentences(round, formatIn(units))}</p>
      <ToTheBrief carId={carId} />
      <Button size="small" onClick={() => edit(({ brief: _left, ...car }) => car)}>
        Work without a brief
      </Button>
    </div>
  );
}
