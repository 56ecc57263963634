import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Meet } from '../../../core/meet/meet.ts';
import { newMeet } from '../../../core/meet/new-meet.ts';
import { formatFault } from '../../../core/fault-words.ts';
import { useListMeetsQuery, useRemoveMeetMutation, useSaveMeetMutation, useSaveResultMutation } from '../../app/api/meets-api.ts';
import { problemLine } from '../../app/api/problem.ts';
import { newId } from '../../app/new-id.ts';
import { RemoveButton } from '../../app/remove-button.tsx';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { useBriefs } from '../../open-car/design-with-brief.ts';
import { FileButton } from '../../ui/file-button.tsx';
import { useIsOwner } from '../../app/use-role.ts';
import plain from '../../ui/plain.module.css';
import { TextEntry } from '../../ui/text-entry.tsx';
import { UnreadableItem } from '../../ui/unreadable-item.tsx';
import styles from './meet.module.css';
import { StateNote } from '../../ui/state-note.tsx';

const LANES = {
  '1': 'one car at a time',
  '2': 'two lanes',
  '3': 'three lanes',
  '4': 'four lanes',
  '6': 'six lanes',
  '8': 'eight lanes',
} as const;

/** All meets, and how a new one begins: from a brief, or from a file. */
export function MeetsPage() {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const { data } = useListMeetsQuery();
  const briefs = useBriefs();
  const [save] = useSaveMeetMutation();
  const [saveResult] = useSaveResultMutation();
  const [remove] = useRemoveMeetMutation();
  const isHost = useIsOwner();
  const [name, setName] = useState('');
  const [briefId, setBriefId] = useState('');
  const [lanes, setLanes] = useState<keyof typeof LANES>('1');
  const stored = briefs.find(({ id }) => id === briefId) ?? briefs[0];
  const begin = async (meet: Meet): Promise<string | null> => {
    const id = newId();
    const answer = await save({ id, baseVersion: 0, content: meet });
    if (!answer.error) return id;
    dispatch(toasted(problemLine(answer.error), { tone: 'stop' }));
    return null;
  };
  const beginNew = async (): Promise<void> => {
    if (!stored) return;
    const id = await begin(
      newMeet({
        name: name || stored.brief.name,
        date: new Date().toISOString().slice(0, 10),
        brief: stored.brief,
        seed: Math.floor(Math.random() * 1_000_000),
        lanes: Number(lanes),
      }),
    );
    if (id) await navigate(`/meets/${id}`);
  };
  /** A meet from a file: its entries and results come with it, each under an id of its own here. */
  const openFile = async (file: File): Promise<void> => {
    const { readJson, readMeet } = await import('../../../core/files/read.ts');
    const read = readJson(await file.text(), readMeet);
    if (read.kind === 'faulty')
      return void dispatch(toasted(`${file.name} is not a meet that this app can open: ${formatFault(read.faults[0]!)}`, { tone: 'stop' }));
    const { results = [], ...meet } = read.value;
    const entered = new Map(meet.entries.map((entry) => [entry.id, newId()]));
    const id = await begin({ ...meet, entries: meet.entries.map((entry) => ({ ...entry, id: entered.get(entry.id)! })) });
    if (!id) return;
    const ids = new Map(results.map((one) => [one.id, newId()]));
    for (const { id: was, result } of results)
      await saveResult({
        meetId: id,
        id: ids.get(was)!,
        baseVersion: 0,
        content: {
          ...result,
          meet: id,
          entry: entered.get(result.entry) ?? result.entry,
          corrects: result.corrects === null ? null : (ids.get(result.corrects) ?? null),
        },
      });
    await navigate(`/meets/${id}`);
  };
  return (
    <div className={plain.page}>
      <header className={styles.head}>
        <h1 className={plain.heading}>Meets</h1>
        {isHost && (
          <FileButton label="Meet file" accept=".json,application/json" onFile={(file) => void openFile(file)}>
            Open a meet file
          </FileButton>
        )}
      </header>
      <div className={styles.view}>
        {isHost && (
          <section aria-labelledby="new-meet" className={styles.card}>
            <h2 id="new-meet" className={plain.heading}>
              A new meet
            </h2>
            {briefs.length === 0 ? (
              <p className={plain.text}>
                A meet uses a brief: its rounds, floors and rules. <Link to="/briefs">Write one first.</Link>
              </p>
            ) : (
              <>
                <div className={styles.fields}>
                  <ChoiceSelect
                    label="Brief"
                    value={stored!.id}
                    options={Object.fromEntries(briefs.map(({ id, brief }) => [id, brief.name]))}
                    onChange={setBriefId}
                  />
                  <TextEntry label="Name of the meet" value={name} placeholder={stored!.brief.name} maxLength={80} onChange={setName} />
                  <ChoiceSelect label="Lanes" value={lanes} options={LANES} onChange={setLanes} />
                </div>
                <div>
                  <Button variant="contained" onClick={() => void beginNew()}>
                    Create meet
                  </Button>
                </div>
              </>
            )}
          </section>
        )}
        <section aria-labelledby="meets-here" className={styles.part}>
          <h2 id="meets-here" className={plain.heading}>
            Meets
          </h2>
          {data?.readable.length === 0 && <StateNote kind="empty">No meet yet. Create one from a brief, or open a meet file.</StateNote>}
          <div className={styles.cards}>
            {data?.readable.map(({ id, meet, entryCount }) => (
              <div key={id} className={styles.card}>
                <p className={plain.strong}>
                  <Link to={`/meets/${id}`}>{meet.name}</Link>
                </p>
                <p className={`${plain.text} ${plain.muted}`}>
                  {meet.date}, {entryCount} {entryCount === 1 ? 'entry' : 'entries'}, {meet.brief.rounds.length}{' '}
                  {meet.brief.rounds.length === 1 ? 'round' : 'rounds'}
                </p>
                {isHost && (
                  <div>
                    <RemoveButton name={meet.name} undoing={{ kind: 'meet', id }} remove={() => remove(id)} />
                  </div>
                )}
              </div>
            ))}
          </div>
          {data?.unreadable.map((broken) => (
            <UnreadableItem key={broken.id} what="meet" item={broken} onRemove={() => void remove(broken.id)} />
          ))}
        </section>
      </div>
    </div>
  );
}
