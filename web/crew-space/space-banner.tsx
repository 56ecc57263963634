import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { problemLine } from '../app/api/problem.ts';
import { useGetCrewClassQuery, useSetHelpingMutation } from '../app/api/classes-api.ts';
import { useAppDispatch } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import { useJoinedSpace } from '../app/use-role.ts';
import plain from '../ui/plain.module.css';
import { useLocalStorage } from '../ui/use-local-storage.ts';
import styles from './space-banner.module.css';
import { useCrewReports } from './use-crew-reports.ts';
import { useSpaceNews } from './use-space-news.ts';
import { describeLesson } from './describe-lesson.ts';

/** What a crew is told besides its work: who looks at it, that its cars are handed in, a message and a lesson of the leader. */
export default function SpaceBanner() {
  useSpaceNews();
  const joined = useJoinedSpace();
  const isLeader = joined?.role === 'onlooker' || joined?.role === 'helper';
  return isLeader ? <LeaderBanner isHelping={joined.role === 'helper'} classId={joined.classId} /> : <CrewBanner />;
}

function LeaderBanner({ isHelping, classId }: { readonly isHelping: boolean; readonly classId: string }) {
  const dispatch = useAppDispatch();
  const { data } = useGetCrewClassQuery();
  const [setHelping, { isLoading }] = useSetHelpingMutation();
  const turn = async (): Promise<void> => {
    const { error } = await setHelping(!isHelping);
    if (error) dispatch(toasted(problemLine(error), { tone: 'stop' }));
  };
  return (
    <div className={styles.banner} role="status">
      <p className={plain.text}>
        <strong>{data?.crew ?? '…'}</strong>:{' '}
        {isHelping ? 'you help. What you change is saved in this crew’s work.' : 'you only look. Nothing you change is saved.'} The crew
        sees that you are here.
      </p>
      <Button size="small" variant="outlined" disabled={isLoading} onClick={() => void turn()}>
        {isHelping ? 'Stop helping' : 'Help'}
      </Button>
      <Button size="small" component="a" href={`/classes/${classId}`}>
        Back to the class
      </Button>
    </div>
  );
}

function CrewBanner() {
  useCrewReports();
  const { data } = useGetCrewClassQuery();
  const [closed, setClosed] = useLocalStorage('class-told', '');
  if (!data) return null;
  const { message, lesson, leader, handedInAt } = data;
  const told = [message?.at, lesson?.at].filter(Boolean).join(' ');
  const isNew = told !== '' && told !== closed;
  if (!leader && !handedInAt && !isNew) return null;
  return (
    <div className={styles.banner} role="status">
      {leader && (
        <p className={plain.text}>{leader === 'help' ? 'Your leader helps with your car now.' : 'Your leader looks at your work.'}</p>
      )}
      {handedInAt && <p className={plain.text}>Your car is handed in. You can log runs, but not change the car.</p>}
      {isNew && message && (
        <p className={plain.text}>
          <strong>From your leader:</strong> {message.text}
        </p>
      )}
      {isNew && lesson && (
        <p className={plain.text}>
          Lesson: <Link to={describeLesson(lesson).to}>{describeLesson(lesson).words}</Link>
        </p>
      )}
      {isNew && (
        <Button size="small" onClick={() => setClosed(told)}>
          Close
        </Button>
      )}
    </div>
  );
}
