import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { modulusFromBending } from '../../core/car/bend-test.ts';
import { parseQuantity, type Quantity } from '../../core/units/quantity.ts';
import plain from '../ui/plain.module.css';

interface BendTestFieldsProps {
  /** Second moment of area of the piece as it is typed, m⁴; null while its sizes are not typed. */
  readonly section: number | null;
  readonly onModulus: (pascals: number) => void;
}

const FIELDS = [
  ['freeLength', 'Free length, held to weight', 'mm', 'size'],
  ['load', 'Weight that hangs on its end', 'g', 'weight'],
  ['drop', 'End goes down by', 'mm', 'size'],
] as const satisfies readonly (readonly [string, string, string, Quantity])[];

/** Stiffness by hanging a coin on the end of a piece: how far it goes down. */
export function BendTestFields({ section, onModulus }: BendTestFieldsProps) {
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [problem, setProblem] = useState('');
  const apply = (): void => {
    if (section === null) return setProblem('Type the sizes of the piece above first.');
    const values: Record<string, number> = {};
    for (const [key, label, , quantity] of FIELDS) {
      const parsed = parseQuantity(typed[key] ?? '', quantity, 'metric');
      if (parsed.kind === 'unclear') return setProblem(`${label}: ${parsed.message}`);
      if (!(parsed.value > 0)) return setProblem(`${label}: must be above 0.`);
      values[key] = parsed.value;
    }
    if (values.drop! > values.freeLength! / 3) return setProblem('It bends too far. Use a lighter weight or a shorter piece.');
    setProblem('');
    onModulus(modulusFromBending(values as { freeLength: number; load: number; drop: number }, section));
  };
  return (
    <details>
      <summary className={plain.text}>Stiffness by a bend test</summary>
      <div className={plain.rows}>
        <p className={`${plain.caption} ${plain.muted}`}>
          Hold one end flat on the table edge. Hang a coin on the free end and measure how far it goes down.
        </p>
        {FIELDS.map(([key, label, unit]) => (
          <TextField
            key={key}
            size="small"
            label={label}
            value={typed[key] ?? ''}
            onChange={({ target }) => setTyped({ ...typed, [key]: target.value })}
            slotProps={{ input: { endAdornment: <InputAdornment position="end">{unit}</InputAdornment> } }}
          />
        ))}
        {problem && (
          <p role="alert" className={plain.text}>
            ✕ {problem}
          </p>
        )}
        <Button variant="outlined" size="small" onClick={apply}>
          Use this stiffness
        </Button>
      </div>
    </details>
  );
}
