import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { ownPartOfKit, partOfKit } from '../../core/car/kit-parts.ts';
import { CATALOGUE } from '../../core/car/parts.ts';
import type { PartKind } from '../../core/car/part-slots.ts';
import { useListBriefsQuery } from '../app/api/documents-api.ts';
import { useAppDispatch } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import { ChoiceSelect } from '../brief-fields/choice-select.tsx';
import { useSavePart, useOwnParts } from '../open-car/use-own-parts.ts';
import { KIND_NAMES } from './part-draft.ts';

const NOTHING = 'none';
/** Every part of the catalogue, as it is chosen for a thing of a kit. */
const CHOICES: Readonly<Record<string, string>> = {
  [NOTHING]: 'not a part of a car: leave it out',
  ...Object.fromEntries(
    (Object.keys(CATALOGUE) as PartKind[]).flatMap((kind) =>
      Object.entries(CATALOGUE[kind]).map(([like, { label }]) => [`${kind} ${like}`, `${KIND_NAMES[kind]}: ${label}`]),
    ),
  ),
};

/** The kit list of a brief put into the drawer in one go: each thing taken for what it is most like, to be corrected. */
export function KitDialog({ onClose }: { readonly onClose: () => void }) {
  const dispatch = useAppDispatch();
  const { data } = useListBriefsQuery();
  const { parts } = useOwnParts();
  const { keep } = useSavePart();
  const briefs = (data?.readable ?? []).filter(({ brief }) => brief.rules.kit.length > 0);
  const [briefId, setBriefId] = useState('');
  const [corrected, setCorrected] = useState<Readonly<Record<string, string>>>({});
  const chosen = briefs.find(({ id }) => id === briefId) ?? briefs[0];
  const kit = chosen?.brief.rules.kit ?? [];
  const takenFor = (name: string): string => {
    const guess = partOfKit(name);
    return corrected[name] ?? (guess ? `${guess.kind} ${guess.like}` : NOTHING);
  };
  const fill = async (): Promise<void> => {
    let taken = 0;
    for (const { name, count } of kit) {
      const [kind, like] = takenFor(name).split(/ (.*)/) as [PartKind, string];
      if (takenFor(name) === NOTHING) continue;
      const here = parts.find(({ part }) => part.kind === kind && part.name === name);
      // What is there already keeps its values: only its count is the kit's.
      if (await keep(here ? { ...here.part, count } : ownPartOfKit(name, count, { kind, like }), here ?? null)) taken++;
    }
    dispatch(toasted(`${taken} of ${kit.length} things of the kit were added to My parts`));
    onClose();
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="kit-title" maxWidth="sm" fullWidth>
      <DialogTitle id="kit-title">Add parts from a kit list</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 3 }}>
        {kit.length === 0 ? (
          <Typography>
            No brief has a kit list yet. Write one under “Rules” in a brief: what is handed out, and how many of each.
          </Typography>
        ) : (
          <>
            <ChoiceSelect
              label="Kit list of"
              value={chosen!.id}
              options={Object.fromEntries(briefs.map(({ id, brief }) => [id, brief.name]))}
              onChange={setBriefId}
            />
            {kit.map(({ name, count }) => (
              <ChoiceSelect
                key={name}
                label={`${count} × ${name}`}
                value={takenFor(name)}
                options={CHOICES}
                onChange={(choice) => setCorrected({ ...corrected, [name]: choice })}
              />
            ))}
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={kit.length === 0} onClick={() => void fill()}>
          Add to My parts
        </Button>
      </DialogActions>
    </Dialog>
  );
}
