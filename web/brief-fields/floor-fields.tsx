import Button from '@mui/material/Button';
import { memo } from 'react';
import type { Floor } from '../../core/car/car-design.ts';
import { FLOORS } from '../../core/car/catalogue.ts';
import { inOrder, withMat } from '../../core/car/floors.ts';
import { QuantityField } from '../ui/quantity-field.tsx';
import plain from '../ui/plain.module.css';
import { withinLimits } from '../ui/number-limits.ts';
import styles from './brief-fields.module.css';
import { ChoiceSelect } from './choice-select.tsx';
import { PieceList } from './piece-list.tsx';
import { labelsOf } from '../ui/labels-of.ts';

/** Changes the floor as it is when called; changes of one gesture are one step to undo. */
export type ChangeFloor = (change: (present: Floor) => Floor, gesture?: string) => void;

interface FloorProps {
  readonly floor: Floor;
  readonly change: ChangeFloor;
}

/** Every kind of floor, by name. */
export const SURFACES = labelsOf(FLOORS);

/** m beyond what is there that a new stretch begins. */
const FURTHER = 2;
const MOST_PIECES = 20;

const withinFloor = (value: number): string | null =>
  value > 0 && value <= 1000 ? null : 'Must be above 0 and at most 1000 m from the line.';

/** Where the floor changes along the run: each stretch with its beginning, kind and slope. */
export const Stretches = memo(function Stretches({ floor, change: changeFloor }: FloorProps) {
  const change = (next: (present: Floor['stretches']) => Floor['stretches']): void =>
    changeFloor((present) => ({ ...present, stretches: inOrder(next(present.stretches)) }));
  return (
    <PieceList
      pieces={floor.stretches}
      change={change}
      nameOf={(at) => `Stretch ${at + 2}`}
      head={({ kind }, changeIt) => (
        <ChoiceSelect label="Floor of the stretch" value={kind} options={SURFACES} onChange={(next) => changeIt({ kind: next })} />
      )}
      most={MOST_PIECES}
      addWords="Add a stretch"
      make={(present) => {
        const last = present ?? { from: 0, kind: floor.kind, slope: floor.slope };
        return { ...last, from: last.from + FURTHER };
      }}
      beside={
        <Button size="small" disabled={floor.kind === 'short-carpet'} onClick={() => changeFloor(withMat)}>
          Add a mat under the launch
        </Button>
      }
    >
      {({ from, slope }, changeIt, at) => (
        <>
          <QuantityField
            size="small"
            label="From"
            quantity="distance"
            value={from}
            check={(value) =>
              withinFloor(value) ??
              (floor.stretches.some((one, k) => k !== at && one.from === value)
                ? 'Another stretch begins there. Choose another position.'
                : null)
            }
            onChange={(value) => changeIt({ from: value })}
          />
          <QuantityField
            size="small"
            label="Uphill"
            quantity="angle"
            value={slope}
            check={(value) => (Math.abs(value) <= 0.6 ? null : 'Must be at most 34° up or down.')}
            onChange={(value) => changeIt({ slope: value })}
          />
        </>
      )}
    </PieceList>
  );
});

/** A first twig: as thick as a pencil, a step ahead. */
const FIRST_EDGE = { at: 1, height: 0.007 };

/** Twigs and steps across the floor. */
export const Edges = memo(function Edges({ floor, change }: FloorProps) {
  return (
    <PieceList
      pieces={floor.edges}
      change={(next) => change((present) => ({ ...present, edges: next(present.edges) }))}
      nameOf={(at) => `Twig or step ${at + 1}`}
      most={MOST_PIECES}
      addWords="Add a twig or step"
      make={(last) => ({ ...FIRST_EDGE, at: (last?.at ?? 0) + FIRST_EDGE.at })}
    >
      {({ at, height }, changeIt) => (
        <>
          <QuantityField
            size="small"
            label="At"
            quantity="distance"
            value={at}
            check={withinFloor}
            onChange={(value) => changeIt({ at: value })}
          />
          <QuantityField
            size="small"
            label="Height"
            quantity="size"
            value={height}
            check={(value) => (value > 0 && value <= 0.5 ? null : 'Must be above 0 and at most 500 mm.')}
            onChange={(value) => changeIt({ height: value })}
          />
        </>
      )}
    </PieceList>
  );
});

/** The room a car has. */
export const Room = memo(function Room({ floor, change }: FloorProps) {
  return (
    <div className={plain.rows}>
      <QuantityField
        size="small"
        label="Line to wall (0: open)"
        quantity="distance"
        value={floor.roomLength ?? 0}
        check={withinLimits(0, 1000, 'm')}
        onChange={(room) => change((present) => ({ ...present, roomLength: room > 0 ? room : null }))}
      />
      <QuantityField
        size="small"
        label="Lane width (0: none)"
        quantity="distance"
        value={floor.laneWidth ?? 0}
        check={withinLimits(0, 100, 'm')}
        onChange={(lane) => change((present) => ({ ...present, laneWidth: lane > 0 ? lane : null }))}
      />
    </div>
  );
});

/** rad: what a slope is out by where it was only looked at, and where a long level was laid along it. */
const HOW_SURE = { guessed: undefined, level: 0.0005, rough: 0.003 } as const;
const SURE_WORDS = {
  guessed: 'by eye: 2 mm per metre',
  level: 'with a good level: ½ mm per metre',
  rough: 'with a short level or phone: 3 mm per metre',
} as const;

/** What lies at the line, how it leans, and how sure that is. */
export const Surface = memo(function Surface({ floor, change }: FloorProps) {
  const sure = (Object.keys(HOW_SURE) as (keyof typeof HOW_SURE)[]).find((key) => HOW_SURE[key] === floor.slopeSpread) ?? 'guessed';
  return (
    <div className={plain.rows}>
      <ChoiceSelect
        label="Floor at the line"
        value={floor.kind}
        options={SURFACES}
        onChange={(kind) => change((present) => ({ ...present, kind }))}
      />
      <div className={styles.pair}>
        <QuantityField
          size="small"
          label="Slope at the line, uphill"
          quantity="angle"
          value={floor.slope}
          check={(value) => (Math.abs(value) <= 0.6 ? null : 'Must be at most 34° up or down.')}
          onChange={(slope) => change((present) => ({ ...present, slope }))}
        />
        <ChoiceSelect
          label="How the slope was measured"
          value={sure}
          options={SURE_WORDS}
          onChange={(how) =>
            change(({ slopeSpread: _before, ...present }) => ({
              ...present,
              ...(HOW_SURE[how] !== undefined && { slopeSpread: HOW_SURE[how] }),
            }))
          }
        />
      </div>
    </div>
  );
});
