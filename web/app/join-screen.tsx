import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { problemOf } from './api/problem.ts';
import { useJoinMutation } from './api/sharing-api.ts';

/** Shown on a phone that has not joined: it types the code that the program shows. */
export default function JoinScreen() {
  const [join, { isLoading, error }] = useJoinMutation();
  const [code, setCode] = useState('');
  const problem = error ? problemOf(error) : null;
  return (
    <form
      style={{ padding: 24, display: 'grid', gap: 16, maxWidth: 420 }}
      onSubmit={async (event) => {
        event.preventDefault();
        const answer = await join(code.replaceAll(/\D/g, ''));
        if (!answer.error) window.location.reload();
      }}
    >
      <Typography variant="h1">Join with this phone</Typography>
      <Typography>
        Type the six digits that the program shows. They tell whether this is a crew’s phone, an official’s, or a board.
      </Typography>
      <TextField
        label="Code"
        value={code}
        onChange={({ target }) => setCode(target.value)}
        error={problem !== null}
        helperText={problem && [problem.title, problem.detail].filter(Boolean).join('. ')}
        slotProps={{ htmlInput: { inputMode: 'numeric', autoComplete: 'one-time-code', maxLength: 12 } }}
      />
      <Button type="submit" variant="contained" disabled={isLoading || code.trim() === ''} sx={{ minHeight: 52 }}>
        Join
      </Button>
      <Typography variant="body2" color="text.secondary">
        Others in this network can see what is sent.
      </Typography>
    </form>
  );
}
