import type { Floor } from '../../core/car/car-design.ts';
import { FLOORS } from '../../core/car/catalogue.ts';
import { inOrder } from '../../core/car/floors.ts';
import { formatQuantity } from '../../core/units/quantity.ts';
import { useStableKeys } from '../ui/stable-keys.ts';
import { useUnits } from '../ui/use-units.ts';
import type { ChangeFloor } from './floor-fields.tsx';
import { StripHandle } from './strip-handle.tsx';
import type { StripScale } from './strip-scale.ts';

/** m; the furthest that a wall is moved to. */
const FURTHEST_WALL = 1000;

interface StripHandlesProps {
  readonly name: string;
  readonly floor: Floor;
  readonly scale: StripScale;
  readonly change: ChangeFloor;
}

/** What can be moved along a floor: where surfaces begin, twigs, and the wall. */
export function StripHandles({ name, floor, scale, change }: StripHandlesProps) {
  const units = useUnits();
  const [stretchKeys, edgeKeys] = [useStableKeys(floor.stretches), useStableKeys(floor.edges)];
  const { end, perMetre, x, side, middle } = scale;
  const format = (metres: number): string => formatQuantity(metres, 'distance', units);
  return (
    <>
      {/* In the order of their keys: one that is dragged past another stays the same thing on the page. */}
      {floor.stretches
        .map((stretch, i) => ({ ...stretch, i, key: stretchKeys[i]! }))
        .sort((a, b) => Number(a.key) - Number(b.key))
        .map(({ from, kind, i, key }) => (
          <StripHandle
            key={`stretch ${key}`}
            label={`Where ${FLOORS[kind].label} begins, ${name}`}
            value={from}
            most={end}
            x={x(from)}
            y={middle}
            perMetre={perMetre}
            format={format}
            onMove={(to, gesture) => {
              // Where another begins already, it waits for the hand to go on: none is lost.
              if (!floor.stretches.some((one, k) => k !== i && one.from === to))
                change((present) => {
                  const moved = present.stretches.map((one, k) => (k === i ? { ...one, from: to } : one));
                  return { ...present, stretches: inOrder(moved) };
                }, gesture);
            }}
          />
        ))}
      {floor.edges.map(({ at }, i) => (
        <StripHandle
          key={`edge ${edgeKeys[i]}`}
          label={`Twig or step ${i + 1}, ${name}`}
          value={at}
          most={end}
          x={x(at)}
          y={side(at)}
          perMetre={perMetre}
          format={format}
          onMove={(to, gesture) =>
            change((present) => ({ ...present, edges: present.edges.map((one, k) => (k === i ? { ...one, at: to } : one)) }), gesture)
          }
        />
      ))}
      {floor.roomLength !== null && (
        <StripHandle
          label={`The wall, ${name}`}
          value={floor.roomLength}
          most={FURTHEST_WALL}
          x={x(end) + 3}
          y={middle}
          perMetre={perMetre}
          format={format}
          onMove={(to, gesture) => change((present) => ({ ...present, roomLength: to }), gesture)}
        />
      )}
    </>
  );
}
