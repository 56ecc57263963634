import plain from '../../ui/plain.module.css';

const clock = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit', second: '2-digit' });

/** Says since when this page hears nothing of the others; nothing while it does. */
export const ConnectionNote = ({ lostSince }: { readonly lostSince: number | null }) =>
  lostSince === null ? null : (
    <p role="status" className={plain.strong}>
      ✕ Not connected since {clock.format(lostSince)}. What others save is not shown until the connection is back.
    </p>
  );
