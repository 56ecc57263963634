import type { Brief } from '../../../core/brief/brief.ts';
import { roundOf } from '../../../core/brief/brief.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { describeFloor } from '../../../core/car/floors.ts';
import type { Session } from '../../../core/schema/generated/session.ts';
import { formatIn } from '../../../core/units/quantity.ts';
import type { StoredSession } from '../../../core/schema/stored.ts';
import { useListSessionsQuery, useSaveSessionMutation } from '../../app/api/documents-api.ts';
import { problemLine } from '../../app/api/problem.ts';
import { saveChange } from '../../app/save-change.ts';
import { newId } from '../../app/new-id.ts';
import { sessionChosen } from '../../app/preferences-slice.ts';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';

/** m and s: what a steel tape and a thumb on a watch are usually out by. */
const USUAL_TAPE = 0.01;
const USUAL_WATCH = 0.2;
const day = new Intl.DateTimeFormat('en-CA', { dateStyle: 'short' });

/** A session as it begins for a car: on the floor of its brief, with the marks that its rounds set. */
function sessionFor(carId: string, design: CarDesign, brief: Brief | null): Session {
  const goals = brief?.rounds.map(({ goal }) => goal) ?? [];
  const marks = goals.flatMap((goal) => ('distance' in goal ? [goal.distance] : []));
  const now = new Date();
  return {
    format: 'nimble-axle/session',
    version: 1,
    name: `${brief ? `${brief.name}, ` : ''}${day.format(now)}`.slice(0, 80),
    begunAt: now.toISOString(),
    floor: brief ? roundOf(design, brief).floor : describeFloor(design.floor, formatIn('metric')).slice(0, 200),
    measuredBy: '',
    conditions: { temperature: null, dusty: null, damp: null },
    tape: USUAL_TAPE,
    watch: USUAL_WATCH,
    spacing: null,
    marks: [...new Set(marks)].sort((a, b) => a - b),
    cars: [carId],
  };
}

/** The session that runs are logged in, and beginning, changing and leaving one. */
export function useSession(carId: string, design: CarDesign, brief: Brief | null) {
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((state) => state.preferences.session);
  const { data } = useListSessionsQuery();
  const [save] = useSaveSessionMutation();
  const sessions = data?.readable ?? [];
  const current: StoredSession | null = sessions.find(({ id }) => id === chosen) ?? null;
  const fail = (error: unknown): void => void dispatch(toasted(problemLine(error), { tone: 'stop' }));
  /** Changes the session as it is by then: what was changed just before, or by another, stays. */
  const change = async (update: (session: Session) => Session): Promise<void> => {
    if (!current) return;
    const answer = await saveChange(
      { version: current.version, content: current.session },
      update,
      (baseVersion, content) => save({ id: current.id, baseVersion, content }),
      ({ session }: StoredSession) => session,
    );
    if (answer.kind === 'failed') fail(answer.error);
  };
  return {
    current,
    sessions,
    begin: async (): Promise<void> => {
      const id = newId();
      const { error } = await save({ id, baseVersion: 0, content: sessionFor(carId, design, brief) });
      if (error) fail(error);
      else dispatch(sessionChosen(id));
    },
    change,
    goOn: (id: string | null) => void dispatch(sessionChosen(id)),
  };
}
