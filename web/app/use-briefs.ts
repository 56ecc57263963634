import { useNavigate } from 'react-router';
import type { Brief } from '../../core/brief/brief.ts';
import { useRemoveBriefMutation, useSaveBriefMutation } from './api/documents-api.ts';
import { problemLine } from './api/problem.ts';
import { useAppDispatch } from './store.ts';
import { toasted } from './toasts-slice.ts';
import { newId } from './new-id.ts';

/** Keeping briefs, and taking them away. */
export function useSaveBrief() {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [save] = useSaveBriefMutation();
  const [remove] = useRemoveBriefMutation();
  const fail = (error: unknown): null => {
    dispatch(toasted(problemLine(error), { tone: 'stop' }));
    return null;
  };
  /** Keeps a new brief; its id, or null where that failed. */
  const keep = async (brief: Brief): Promise<string | null> => {
    const id = newId();
    const { error } = await save({ id, baseVersion: 0, content: brief });
    return error ? fail(error) : id;
  };
  return {
    keep,
    /** Keeps a new brief and goes to its page. */
    add: async (brief: Brief): Promise<void> => {
      const id = await keep(brief);
      if (id) await navigate(`/briefs/${id}`);
    },
    remove: async (id: string, name: string): Promise<void> => {
      const { error } = await remove(id);
      if (error) return void fail(error);
      dispatch(toasted(`${name} was removed`, { undoing: { kind: 'brief', id } }));
    },
  };
}
