import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { differences } from '../../../../core/car/difference.ts';
import { predictRun } from '../../../../core/predict/predict-run.ts';
import { formatPredicted, type UnitSystem } from '../../../../core/units/quantity.ts';
import type { StoredVersion } from '../../../../core/schema/stored.ts';
import { useUnits } from '../../../ui/use-units.ts';
import { WordTable } from '../../../ui/word-table.tsx';
import { NOTICEABLE_SLIP } from '../../../../core/predict/verdict.ts';

const NOW = 'now';

function figuresOf(design: CarDesign, units: UnitSystem): readonly (readonly [string, string])[] {
  const prediction = predictRun(design);
  if (prediction.kind === 'refused') return [['predicted distance', 'cannot run']];
  const { distance, time, slipDistance } = prediction.result;
  return [
    ['predicted distance', formatPredicted(distance, 'distance', units)],
    ['time', formatPredicted(time, 'time', units)],
    ['wheelspin', slipDistance > NOTICEABLE_SLIP ? formatPredicted(slipDistance, 'distance', units) : 'none'],
  ];
}

/** Any two versions, or one and the car as it is, side by side. */
export function CompareVersions({ versions, present }: { readonly versions: readonly StoredVersion[]; readonly present: CarDesign }) {
  const units = useUnits();
  const [left, setLeft] = useState(versions[0]!.id);
  const [right, setRight] = useState(NOW);
  const designOf = (id: string): CarDesign => versions.find((version) => version.id === id)?.record.design ?? present;
  const [a, b] = [designOf(left), designOf(right)];
  const [before, after] = [figuresOf(a, units), figuresOf(b, units)];
  const rows = [
    ...before.map(([label, from]) => ({ label, from, to: after.find(([name]) => name === label)?.[1] ?? 'cannot run' })),
    ...differences(a, b, units),
  ];
  const choose = (label: string, value: string, onChange: (id: string) => void) => (
    <TextField select size="small" label={label} value={value} onChange={({ target }) => onChange(target.value)}>
      {versions.map(({ id, record }) => (
        <MenuItem key={id} value={id}>
          {record.name}
        </MenuItem>
      ))}
      <MenuItem value={NOW}>the car now</MenuItem>
    </TextField>
  );
  return (
    <Box component="section" aria-labelledby="compare-title">
      <Typography id="compare-title" variant="h3" sx={{ mb: 3 }}>
        Compare
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 2 }}>
        {choose('Compare', left, setLeft)}
        {choose('with', right, setRight)}
      </Box>
      <WordTable
        head={['what', 'first', 'second']}
        rows={rows.map(({ label, from, to }) => [label, from, from === to ? to : <strong key="to">{to}</strong>])}
      />
    </Box>
  );
}
