import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useRef, useState } from 'react';
import { piecesFor } from '../../core/car/common-pieces.ts';
import { CATALOGUE } from '../../core/car/parts.ts';
import type { OwnPart } from '../../core/schema/generated/own-part.ts';
import type { PartKind } from '../../core/car/part-slots.ts';
import { BendTestFields } from './bend-test-fields.tsx';
import { filledFrom, KIND_NAMES, newDraft, partFields, partOf, sectionOf, usualValues, type PartDraft } from './part-draft.ts';

interface OwnPartFormProps {
  /** What it begins with. */
  readonly start: PartDraft;
  readonly title: string;
  readonly others: readonly OwnPart[];
  /** What is wrong with how many there are, beyond being a number. */
  readonly wrongCount?: (count: number) => string | null;
  readonly onKeep: (part: OwnPart) => Promise<void>;
  readonly onCancel: () => void;
}

/** One part to fill in: it begins with the values of what it is like. */
export function OwnPartForm({ start, title, others, wrongCount = () => null, onKeep, onCancel }: OwnPartFormProps) {
  const [draft, setDraft] = useState<PartDraft>(start);
  const [problems, setProblems] = useState<Readonly<Record<string, string>>>({});
  const nameField = useRef<HTMLInputElement>(null);
  useEffect(() => nameField.current?.focus(), []);
  const common = piecesFor(draft.kind);
  const change = (part: Partial<PartDraft>): void => setDraft((before) => ({ ...before, ...part }));
  const problemOf = (key: string) => ({ error: key in problems, helperText: problems[key] });
  return (
    <Box
      component="form"
      aria-label={title}
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        const part = partOf(draft, others);
        const wrong = 'part' in part ? wrongCount(part.part.count) : null;
        setProblems('problems' in part ? part.problems : wrong ? { count: wrong } : {});
        if ('part' in part && !wrong) void onKeep(part.part);
      }}
      sx={{ display: 'grid', gap: 3 }}
    >
      <TextField
        select
        size="small"
        label="Kind"
        value={draft.kind}
        disabled={draft.from !== undefined}
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
        // Where it opens is brought into sight.
        inputRef={nameField}
        value={draft.name}
        onChange={({ target }) => change({ name: target.value })}
        slotProps={{ htmlInput: { maxLength: 80 } }}
        {...problemOf('name')}
      />
      <TextField
        select
        size="small"
        label="Similar to"
        value={draft.like}
        onChange={({ target }) => change({ like: target.value, values: usualValues(draft.kind, target.value) })}
        {...problemOf('like')}
      >
        {Object.entries(CATALOGUE[draft.kind]).map(([key, { label }]) => (
          <MenuItem key={key} value={key}>
            {label}
          </MenuItem>
        ))}
      </TextField>
      {common.length > 0 && (
        <TextField
          select
          size="small"
          label="Fill in from a common object"
          value=""
          helperText="Usual sizes and weights. Measure yours, and type over what differs."
          onChange={({ target }) => setDraft((before) => filledFrom(before, common[Number(target.value)]!))}
        >
          {common.map(({ name }, i) => (
            <MenuItem key={name} value={i}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
      {partFields(draft.kind).map(({ key, label, unit }) => (
        <TextField
          key={key}
          size="small"
          label={label}
          value={draft.values[key] ?? ''}
          onChange={({ target }) => change({ values: { ...draft.values, [key]: target.value } })}
          slotProps={{ input: { endAdornment: unit && <InputAdornment position="end">{unit}</InputAdornment> } }}
          {...problemOf(key)}
        />
      ))}
      {partFields(draft.kind).some(({ key }) => key === 'modulus') && (
        <BendTestFields
          section={sectionOf(draft)}
          onModulus={(pascals) =>
            change({ values: { ...draft.values, modulus: String(Number((pascals / 1e9).toPrecision(2))) }, evidence: 'measured' })
          }
        />
      )}
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
        label="Number in stock"
        value={draft.count}
        onChange={({ target }) => change({ count: target.value })}
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        {...problemOf('count')}
      />
      <TextField
        size="small"
        label="Cost of one (optional)"
        value={draft.cost}
        onChange={({ target }) => change({ cost: target.value })}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        {...problemOf('cost')}
      />
      <Box sx={{ display: 'flex', gap: 2 }}>
        <Button type="submit" variant="contained">
          Save part
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </Box>
    </Box>
  );
}
