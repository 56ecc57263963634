import Button from '@mui/material/Button';
import { useCallback, useMemo } from 'react';
import type { Brief } from '../../../core/brief/brief.ts';
import { floorSentence } from '../../../core/brief/rule-sheet.ts';
import { formatIn } from '../../../core/units/quantity.ts';
import { Edges, Room, Stretches, Surface, type ChangeFloor } from '../../brief-fields/floor-fields.tsx';
import { marksOfRound } from '../../brief-fields/floor-marks.ts';
import { FloorStrip } from '../../brief-fields/floor-strip.tsx';
import type { EditBrief } from '../../open-brief/brief-slice.ts';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { Drafts } from '../../ui/use-draft.ts';
import { useUnits } from '../../ui/use-units.ts';
import styles from './brief.module.css';
import { EditableSection } from './editable-section.tsx';

interface FloorPartProps {
  readonly brief: Brief;
  readonly place: number;
  readonly edit: EditBrief;
}

/** A floor of the brief: in words, drawn to scale, and with its fields. */
export function FloorPart({ brief, place, edit }: FloorPartProps) {
  const units = useUnits();
  const named = brief.floors[place]!;
  const { name, floor } = named;
  const usedBy = brief.rounds.filter((round) => round.floor === name);
  const marks = useMemo(() => {
    const all = brief.rounds.filter((round) => round.floor === name).flatMap((round) => marksOfRound(round, units));
    return all.filter(({ label }, i) => all.findIndex((other) => other.label === label) === i);
  }, [brief.rounds, name, units]);
  const change: ChangeFloor = useCallback(
    (next, gesture) =>
      edit(
        (present) => ({
          ...present,
          floors: present.floors.map((one, i) => (i === place ? { ...one, floor: next(one.floor) } : one)),
        }),
        gesture,
      ),
    [edit, place],
  );
  const rename = (to: string): void =>
    edit((present) => ({
      ...present,
      floors: present.floors.map((one, i) => (i === place ? { ...one, name: to } : one)),
      rounds: present.rounds.map((round) => (round.floor === name ? { ...round, floor: to } : round)),
    }));
  const nameFault = (text: string): string | null => {
    if (text === '') return 'Give it a name.';
    return brief.floors.some((other, i) => i !== place && other.name === text) ? 'Another floor has this name.' : null;
  };
  return (
    <EditableSection
      name={name}
      heading={<h3 className={plain.strong}>{name}</h3>}
      fields={() => (
        <Drafts value={null}>
          <TextEntry label="Name of the floor" value={name} maxLength={80} check={nameFault} onChange={rename} />
          <Surface floor={floor} change={change} />
          <Stretches floor={floor} change={change} />
          <Edges floor={floor} change={change} />
          <Room floor={floor} change={change} />
          <div className={styles.buttons}>
            <Button
              size="small"
              disabled={usedBy.length > 0}
              onClick={() => edit((present) => ({ ...present, floors: present.floors.filter((_one, i) => i !== place) }))}
            >
              Remove floor
            </Button>
            {usedBy.length > 0 && (
              <span className={`${plain.caption} ${plain.muted}`}>
                {usedBy.map((round) => round.name).join(', ')} {usedBy.length === 1 ? 'is' : 'are'} run on it.
              </span>
            )}
          </div>
        </Drafts>
      )}
    >
      <p className={plain.text}>{floorSentence(named, formatIn(units))}</p>
      <FloorStrip name={name} floor={floor} marks={marks} change={change} />
    </EditableSection>
  );
}
