import { useCallback, useEffect } from 'react';
import type { CrewClass } from '../../../core/schema/generated/crew-class.ts';
import type { StoredClass } from '../../../core/schema/stored.ts';
import { baseApi } from '../../app/api/base-api.ts';
import { useGetClassQuery, useSaveClassMutation } from '../../app/api/documents-api.ts';
import { problemLine, problemOf } from '../../app/api/problem.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { onLive } from '../../live/subscribe.ts';

/** Changes a class as it is stored now. */
export type ChangeClass = (change: (present: CrewClass) => CrewClass) => Promise<boolean>;

/** A class with a way to change it; followed as its crews go on. */
export function useClass(classId: string) {
  const dispatch = useAppDispatch();
  const { data: stored, error } = useGetClassQuery(classId);
  const [save] = useSaveClassMutation();
  useEffect(
    () =>
      onLive((message) => {
        const isNews = message.kind === 'news' && message.news.kind === 'class' && message.news.classId === classId;
        if (isNews || message.kind === 'open') dispatch(baseApi.util.invalidateTags(['crews', 'classes']));
      }),
    [dispatch, classId],
  );
  const change = useCallback<ChangeClass>(
    async (make) => {
      if (!stored) return false;
      let present: StoredClass = stored;
      for (let tries = 0; tries < 3; tries++) {
        const answer = await save({ id: classId, baseVersion: present.version, content: make(present.class) });
        if (!answer.error) return true;
        const { current } = problemOf(answer.error);
        // It was changed meanwhile, by another page or by handing in: this change is made on that.
        if (!current) {
          dispatch(toasted(problemLine(answer.error), { tone: 'stop' }));
          return false;
        }
        present = current as StoredClass;
      }
      return false;
    },
    [classId, dispatch, save, stored],
  );
  return { stored: stored ?? null, error, change };
}
