import Button from '@mui/material/Button';
import { problemLine } from '../../app/api/problem.ts';
import { useBeginSharingMutation, useGetSharingQuery, useKeepSharingMutation } from '../../app/api/sharing-api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import plain from '../../ui/plain.module.css';

/** Lets devices of crews in; it stays so when the program is started again. Where it is on, the address that they open. */
export function LetCrewsJoin() {
  const dispatch = useAppDispatch();
  const { data } = useGetSharingQuery();
  const [begin, { isLoading }] = useBeginSharingMutation();
  const [keep] = useKeepSharingMutation();
  const go = async (): Promise<void> => {
    const { error } = await begin();
    if (error) return void dispatch(toasted(problemLine(error), { tone: 'stop' }));
    await keep(true);
  };
  if (data?.shared)
    return (
      <p className={plain.text}>
        Crews join at <strong>{data.shared.addresses.join(' or ')}</strong>
      </p>
    );
  return (
    <Button variant="outlined" disabled={isLoading} onClick={() => void go()}>
      Let crews join
    </Button>
  );
}
