import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { problemOf } from './api/problem.ts';
import { useJoinMutation } from './api/sharing-api.ts';

/** Shown on a phone that has not joined: it types the code that the program shows. */
export default function JoinScreen() {
  const [join, { isLoading, error }] = useJoinMutation();
  // The picture on a card leads here with its code behind the address, where no server sees it.
  const [code, setCode] = useState(() => window.location.hash.slice(1));
  const problem = error ? problemOf(error) : null;
  return (
    <form
      style={{ padding: 24, display: 'grid', gap: 16, maxWidth: 420 }}
      onSubmit={async (event) => {
        event.preventDefault();
        const answer = await join(/[a-z]/i.test(code) ? code : code.replaceAll(/[\s-]/g, ''));
        if (answer.error) return;
        // What was kept for use without the program may be another crew's.
        if ('caches' in window) await caches.delete('kept');
        window.history.replaceState(null, '', window.location.pathname);
        window.location.reload();
      }}
    >
      <Typography variant="h1">Join with this device</Typography>
      <Typography>
        Type the code of your crew’s card. Or type the six digits that the program shows to let a phone log runs, run a meet or be a board.
      </Typography>
      <TextField
        label="Code"
        value={code}
        onChange={({ target }) => setCode(target.value)}
        error={problem !== null}
        helperText={problem && [problem.title, problem.detail].filter(Boolean).join('. ')}
        slotProps={{ htmlInput: { autoCapitalize: 'characters', autoComplete: 'one-time-code', spellCheck: false, maxLength: 12 } }}
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
