import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { useState } from 'react';
import { useDraft } from './use-draft.ts';

interface TextEntryProps extends Pick<TextFieldProps, 'multiline' | 'minRows' | 'placeholder' | 'sx'> {
  readonly label: string;
  /** What it is called where its label alone does not tell it from others; it holds the label. */
  readonly named?: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  /** What is wrong with what was typed, or null; that is not taken, and not thrown away. */
  readonly check?: (typed: string) => string | null;
  readonly maxLength?: number;
}

/** A text that is taken on leaving, of a single line on Enter too; Escape takes it back. */
export function TextEntry({ label, named = label, value, onChange, check, maxLength, multiline = false, ...passed }: TextEntryProps) {
  const [typed, setTyped] = useDraft(named);
  const [problem, setProblem] = useState<string | null>(null);
  const take = (): void => {
    if (typed === null) return;
    const text = typed.trim();
    const wrong = check?.(text) ?? null;
    setProblem(wrong);
    if (wrong !== null) return;
    setTyped(null);
    if (text !== value) onChange(text);
  };
  return (
    <TextField
      {...passed}
      size="small"
      multiline={multiline}
      label={label}
      value={typed ?? value}
      error={problem !== null}
      helperText={problem}
      slotProps={{ htmlInput: { ...(named !== label && { 'aria-label': named }), ...(maxLength !== undefined && { maxLength }) } }}
      onChange={({ target }) => setTyped(target.value)}
      onBlur={take}
      onKeyDown={({ key }) => {
        if (key === 'Enter' && !multiline) take();
        if (key !== 'Escape') return;
        setTyped(null);
        setProblem(null);
      }}
    />
  );
}
