import Button from '@mui/material/Button';
import { QRCodeSVG } from 'qrcode.react';
import { Link, useParams } from 'react-router';
import { formatCardCode } from '../../../core/schema/card-code.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { useListCardsQuery, useRedrawCardMutation } from '../../app/api/classes-api.ts';
import { problemLine } from '../../app/api/problem.ts';
import { useGetSharingQuery } from '../../app/api/sharing-api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import plain from '../../ui/plain.module.css';
import sheet from '../../ui/sheet.module.css';
import styles from './class.module.css';
import { LetCrewsJoin } from './let-crews-join.tsx';
import { useClass } from './use-class.ts';

/** A card for each crew to cut out: its name, the address, its code, and both as a picture. A lost card is drawn anew here. */
export function CardsPage() {
  const classId = useParams().classId!;
  const dispatch = useAppDispatch();
  const { stored, error } = useClass(classId);
  const { data: cards } = useListCardsQuery(classId, { skip: !stored });
  const { data: sharing } = useGetSharingQuery();
  const [redraw] = useRedrawCardMutation();
  if ((error as { status?: unknown } | undefined)?.status === 404) return <NotFoundScreen />;
  if (!stored || !cards) return <div role="status" aria-busy aria-label="Reading the cards" />;
  const address = sharing?.shared?.addresses[0] ?? null;
  const drawAnew = async (crewId: string, name: string): Promise<void> => {
    const answer = await redraw({ classId, crewId });
    dispatch(
      answer.error
        ? toasted(problemLine(answer.error), { tone: 'stop' })
        : toasted(`${name} has a new card. Its old card is no longer valid, and its devices have to join again`),
    );
  };
  return (
    <article aria-label={`Cards of ${stored.class.name}, to print`} className={plain.page}>
      <div className={sheet.tools}>
        <Button component={Link} to={`/classes/${classId}`}>
          To the class
        </Button>
        <LetCrewsJoin />
        <Button variant="contained" disabled={address === null} onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <h1 className={sheet.title}>Cards of {stored.class.name}</h1>
      {address === null && (
        <p className={plain.text} role="status">
          Press “Let crews join” first: a card tells the address that devices open.
        </p>
      )}
      <div className={styles.sheet}>
        {stored.class.crews.map(({ id, name }) => {
          const code = cards.find(({ crewId }) => crewId === id)?.code;
          if (code === undefined) return null;
          return (
            <section key={id} aria-label={`Card of ${name}`} className={styles.crewCard}>
              <QRCodeSVG value={`${address ?? ''}/#${code}`} size={112} title={`Address and code of ${name}`} />
              <div className={styles.part}>
                <h2 className={plain.heading}>{name}</h2>
                <p className={`${plain.text} ${plain.muted}`}>{stored.class.name}</p>
                <p className={plain.text}>Scan, or open {address ?? 'the address that the program shows'} and type:</p>
                <p className={styles.code}>{formatCardCode(code)}</p>
                <div className={sheet.tools}>
                  <Button size="small" aria-label={`Lost: draw a new card for ${name}`} onClick={() => void drawAnew(id, name)}>
                    Lost: draw a new card
                  </Button>
                </div>
              </div>
            </section>
          );
        })}
      </div>
    </article>
  );
}
