import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { memo } from 'react';
import type { Floor, FloorEdge, FloorStretch } from '../../../../core/car/car-design.ts';
import { FLOORS } from '../../../../core/car/catalogue.ts';
import { inOrder, withMat } from '../../../../core/car/floors.ts';
import { QuantityField } from '../../../ui/quantity-field.tsx';
import { Drafts } from '../../../ui/use-draft.ts';
import plain from '../../../ui/plain.module.css';
import type { Edit } from '../../../open-car/design-slice.ts';
import styles from './car-panel.module.css';

interface StretchesProps {
  readonly floor: Floor;
  readonly edit: Edit;
}

interface PieceProps {
  readonly name: string;
  /** Stands above its sizes. */
  readonly head?: React.ReactNode;
  readonly children: React.ReactNode;
  readonly onTakeAway: () => void;
}

/** Something of the floor: what it is, its sizes beside each other, and a way to be rid of it. */
const Piece = ({ name, head, children, onTakeAway }: PieceProps) => (
  <fieldset className={styles.stretch}>
    <legend className={plain.strong}>{name}</legend>
    {head}
    <div className={styles.ends}>
      {/* Pieces have fields of one name each: what is typed into one is no draft of another. */}
      <Drafts value={null}>{children}</Drafts>
      <IconButton aria-label={`Take ${name.toLowerCase()} away`} onClick={onTakeAway}>
        <DeleteIcon />
      </IconButton>
    </div>
  </fieldset>
);

/** m beyond what is there that a new stretch begins. */
const FURTHER = 2;
const MOST_PIECES = 20;

const withinFloor = (value: number): string | null =>
  value > 0 && value <= 1000 ? null : 'Must be above 0 and at most 1000 m from the line.';

/** Where the floor changes on the way: each stretch with its beginning, kind and slope. */
export const Stretches = memo(function Stretches({ floor, edit }: StretchesProps) {
  const change = (next: (present: Floor) => Floor): void => edit((car) => ({ ...car, floor: next(car.floor) }));
  const changeAt = (place: number, part: Partial<FloorStretch>): void =>
    change((present) => ({ ...present, stretches: inOrder(present.stretches.map((one, i) => (i === place ? { ...one, ...part } : one))) }));
  const last = floor.stretches.at(-1) ?? { from: 0, kind: floor.kind, slope: floor.slope };
  return (
    <div className={styles.rows}>
      {floor.stretches.map(({ from, kind, slope }, i) => (
        <Piece
          key={i}
          name={`Stretch ${i + 2}`}
          onTakeAway={() => change((present) => ({ ...present, stretches: present.stretches.filter((_one, k) => k !== i) }))}
          head={
            <TextField
              select
              size="small"
              label="Floor there"
              value={kind}
              onChange={({ target }) => changeAt(i, { kind: target.value as Floor['kind'] })}
            >
              {Object.entries(FLOORS).map(([key, { label }]) => (
                <MenuItem key={key} value={key}>
                  {label}
                </MenuItem>
              ))}
            </TextField>
          }
        >
          <QuantityField
            size="small"
            label="From"
            quantity="distance"
            value={from}
            check={withinFloor}
            onChange={(value) => changeAt(i, { from: value })}
          />
          <QuantityField
            size="small"
            label="Uphill"
            quantity="angle"
            value={slope}
            check={(value) => (Math.abs(value) <= 0.6 ? null : 'Must be within 34° up or down.')}
            onChange={(value) => changeAt(i, { slope: value })}
          />
        </Piece>
      ))}
      <div className={styles.ends}>
        <Button
          size="small"
          variant="outlined"
          disabled={floor.stretches.length >= MOST_PIECES}
          onClick={() => change((present) => ({ ...present, stretches: [...present.stretches, { ...last, from: last.from + FURTHER }] }))}
        >
          Add a stretch
        </Button>
        <Button size="small" disabled={floor.kind === 'short-carpet'} onClick={() => change(withMat)}>
          A mat under the launch
        </Button>
      </div>
    </div>
  );
});

/** A first twig: as thick as a pencil, a step ahead. */
const FIRST_EDGE = { at: 1, height: 0.007 };

/** Twigs and steps across the floor. */
export const Edges = memo(function Edges({ floor, edit }: StretchesProps) {
  const change = (next: (present: Floor['edges']) => Floor['edges']): void =>
    edit((car) => ({ ...car, floor: { ...car.floor, edges: next(car.floor.edges) } }));
  const changeAt = (place: number, part: Partial<FloorEdge>): void =>
    change((present) => present.map((one, i) => (i === place ? { ...one, ...part } : one)));
  return (
    <div className={styles.rows}>
      {floor.edges.map(({ at, height }, i) => (
        <Piece key={i} name={`Twig or step ${i + 1}`} onTakeAway={() => change((present) => present.filter((_one, k) => k !== i))}>
          <QuantityField
            size="small"
            label="At"
            quantity="distance"
            value={at}
            check={withinFloor}
            onChange={(value) => changeAt(i, { at: value })}
          />
          <QuantityField
            size="small"
            label="Height"
            quantity="size"
            value={height}
            check={(value) => (value > 0 && value <= 0.5 ? null : 'Must be above 0 and at most 500 mm.')}
            onChange={(value) => changeAt(i, { height: value })}
          />
        </Piece>
      ))}
      <Button
        size="small"
        variant="outlined"
        disabled={floor.edges.length >= MOST_PIECES}
        onClick={() => change((present) => [...present, { ...FIRST_EDGE, at: (present.at(-1)?.at ?? 0) + FIRST_EDGE.at }])}
      >
        Add a twig or step
      </Button>
    </div>
  );
});
