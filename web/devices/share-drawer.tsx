import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import { QRCodeSVG } from 'qrcode.react';
import type { HallRole } from '../../core/schema/sharing.ts';
import { problemLine } from '../app/api/problem.ts';
import { useBeginSharingMutation, useEndSharingMutation, useGetSharingQuery, useKeepSharingMutation } from '../app/api/sharing-api.ts';
import plain from '../ui/plain.module.css';
import { SideDrawer } from '../ui/side-drawer.tsx';
import styles from './devices.module.css';

/** ms between looks at how many have joined. */
const LOOK = 2000;

/** What a phone may do by the code that it types. */
const ROLES: Readonly<Record<HallRole, { readonly name: string; readonly may: string }>> = {
  crew: { name: 'crew', may: 'logs runs of the one car that it chooses, and follows that car through a meet' },
  official: { name: 'official', may: 'logs runs of every car, enters and inspects cars, and saves results' },
  board: { name: 'board', may: 'shows the meet, and changes nothing' },
};

const joinedWords = (count: number): string =>
  count === 0 ? 'no phone has joined yet' : count === 1 ? '1 phone has joined' : `${count} phones have joined`;

interface ShareDrawerProps {
  readonly roles: readonly HallRole[];
  readonly path: string;
  readonly onClose: () => void;
}

/** Lets phones join: the address as text and picture, and a code for each role; off until it is asked for, and again once it is ended. */
export default function ShareDrawer({ roles, path, onClose }: ShareDrawerProps) {
  const { data } = useGetSharingQuery(undefined, { pollingInterval: LOOK });
  const [begin, { error, isLoading }] = useBeginSharingMutation();
  const [end] = useEndSharingMutation();
  const [keep] = useKeepSharingMutation();
  const shared = data?.shared ?? null;
  return (
    <SideDrawer title="Let a phone join" onClose={onClose}>
      <Typography variant="body2">
        A phone in the same network can then do what its code allows, and nothing else. Joining is off until you turn it on. Others in the
        network can see what is sent.
      </Typography>
      {error && <Typography role="alert">✕ {problemLine(error)}</Typography>}
      {shared === null ? (
        <Button variant="contained" disabled={isLoading} onClick={() => void begin()}>
          Turn on
        </Button>
      ) : (
        <>
          {shared.addresses.map((address) => (
            <div key={address} className={styles.panel}>
              <QRCodeSVG value={`${address}${path}`} size={180} title={`Address ${address}`} marginSize={2} />
              <p className={plain.figures}>{address}</p>
            </div>
          ))}
          {roles.map((role) => (
            <section key={role} aria-label={`Code for ${ROLES[role].name}`} className={styles.panel}>
              <p className={plain.text}>
                The code to type as <strong>{ROLES[role].name}</strong>: it {ROLES[role].may}.
              </p>
              <p className={styles.count} data-testid={`join-code-${role}`}>
                {shared.codes[role]}
              </p>
              <p role="status" className={plain.text}>
                As {ROLES[role].name}, {joinedWords(shared.joined[role])}.
              </p>
            </section>
          ))}
          <FormControlLabel
            control={<Checkbox checked={shared.isKept} onChange={({ target }) => void keep(target.checked)} />}
            label="Keep codes and phones when the program restarts"
          />
          <div className={styles.row}>
            <Button variant="outlined" disabled={isLoading} onClick={() => void begin()}>
              Draw new codes
            </Button>
            <Button variant="outlined" onClick={() => void end()}>
              Turn off
            </Button>
          </div>
          <p className={`${plain.caption} ${plain.muted}`}>
            With new codes every phone has to join again. Runs that wait on a phone are sent then.
          </p>
        </>
      )}
    </SideDrawer>
  );
}
