import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { QRCodeSVG } from 'qrcode.react';
import { problemLine, useBeginSharingMutation, useEndSharingMutation, useGetSharingQuery } from '../app/api.ts';
import plain from '../ui/plain.module.css';
import { SideDrawer } from '../ui/side-drawer.tsx';
import styles from './devices.module.css';

/** ms between looks at how many have joined. */
const LOOK = 2000;

/** Lets phones join: the address as text and picture, and the code; off until it is asked for, and again once it is ended. */
export default function ShareDrawer({ onClose }: { readonly onClose: () => void }) {
  const { data } = useGetSharingQuery(undefined, { pollingInterval: LOOK });
  const [begin, { error, isLoading }] = useBeginSharingMutation();
  const [end] = useEndSharingMutation();
  const shared = data?.shared ?? null;
  return (
    <SideDrawer title="Let a phone join" onClose={onClose}>
      <Typography variant="body2">
        A phone in the same network can then see the cars and log runs, no more. It is off until you turn it on, and off again when you end
        it or the program stops. Others in the network can see what is sent.
      </Typography>
      {error && <Typography role="alert">✕ {problemLine(error)}</Typography>}
      {shared === null ? (
        <Button variant="contained" disabled={isLoading} onClick={() => void begin()}>
          Turn it on
        </Button>
      ) : (
        <>
          {shared.addresses.map((address) => (
            <div key={address} className={styles.panel}>
              <QRCodeSVG value={address} size={180} title={`Address ${address}`} marginSize={2} />
              <p className={plain.figures}>{address}</p>
            </div>
          ))}
          <p className={plain.text}>The code to type on the phone:</p>
          <p className={styles.count} data-testid="join-code">
            {shared.code}
          </p>
          <p role="status" className={plain.text}>
            {shared.joined === 0
              ? 'No phone has joined yet.'
              : shared.joined === 1
                ? '1 phone has joined.'
                : `${shared.joined} phones have joined.`}
          </p>
          <Button variant="outlined" onClick={() => void end()}>
            Turn it off
          </Button>
        </>
      )}
    </SideDrawer>
  );
}
