import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { CATALOGUE, PART_VALUES } from '../../../../core/car/parts.ts';
import type { OwnPart } from '../../../../core/schema/generated/own-part.ts';
import type { PartKind } from '../../../../core/car/part-slots.ts';
import type { StoredPart } from '../../../app/api.ts';
import { draftOf, KIND_NAMES, newDraft, partOf, usualValues, type PartDraft } from './part-draft.ts';

interface OwnPartFormProps {
  /** The part that is changed; null for a new one. */
  readonly from: StoredPart | null;
  readonly others: readonly OwnPart[];
  readonly onKeep: (part: OwnPart) => Promise<void>;
  readonly onCancel: () => void;
}

/** One part to fill in: it begins with the values of what it is like. */
export function OwnPartForm({ from, others, onKeep, onCancel }: OwnPartFormProps) {
  const [draft, setDraft] = useState<PartDraft>(() => (from ? draftOf(from.part) : newDraft('tyre')));
  const [problems, setProblems] = useState<Readonly<Record<string, string>>>({});
  const change = (part: Partial<PartDraft>): void => setDraft((before) => ({ ...before, ...part }));
  const told = (key: string) => ({ error: key in problems, helperText: problems[key] });
  return (
    <Box
      component="form"
      aria-label={from ? `Change ${from.part.name}` : 'A new part'}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        const made = partOf(draft, others);
        setProblems('problems' in made ? made.problems : {});
        if ('part' in made) void onKeep(made.part);
      }}
      sx={{ display: 'grid', gap: 3 }}
    >
      <TextField
        select
        size="small"
        label="Kind"
        value={draft.kind}
        disabled={from !== null}
        onChange={({ target }) => setDraft({ ...newDraft(target.value as PartKind), name: draft.name, count: draft.count })}
      >
        {Object.entries(KIND_NAMES).map(([kind, name]) => (
          <MenuItem key={kind} value={kind}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        size="small"
        label="Name of the part"
        value={draft.name}
        onChange={({ target }) => change({ name: target.value })}
        slotProps={{ htmlInput: { maxLength: 80 } }}
        {...told('name')}
      />
      <TextField
        select
        size="small"
        label="Much like"
        value={draft.like}
        onChange={({ target }) => change({ like: target.value, values: usualValues(draft.kind, target.value) })}
        {...told('like')}
      >
        {Object.entries(CATALOGUE[draft.kind]).map(([key, { label }]) => (
          <MenuItem key={key} value={key}>
            {label}
          </MenuItem>
        ))}
      </TextField>
      {PART_VALUES[draft.kind].map(({ key, label, unit }) => (
        <TextField
          key={key}
          size="small"
          label={label}
          value={draft.values[key] ?? ''}
          onChange={({ target }) => change({ values: { ...draft.values, [key]: target.value } })}
          slotProps={{ input: { endAdornment: unit && <InputAdornment position="end">{unit}</InputAdornment> } }}
          {...told(key)}
        />
      ))}
      <TextField
        select
        size="small"
        label="These values are"
        value={draft.evidence}
        onChange={({ target }) => change({ evidence: target.value as PartDraft['evidence'] })}
      >
        <MenuItem value="estimated">estimated</MenuItem>
        <MenuItem value="measured">measured</MenuItem>
      </TextField>
      <TextField
        size="small"
        label="How many there are"
        value={draft.count}
        onChange={({ target }) => change({ count: target.value })}
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        {...told('count')}
      />
      <Box sx={{ display: 'flex', gap: 2 }}>
        <Button type="submit" variant="contained">
          Keep the part
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </Box>
    </Box>
  );
}
