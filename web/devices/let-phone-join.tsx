import Button from '@mui/material/Button';
import { startTransition, Suspense, useState } from 'react';
import type { HallRole } from '../../core/schema/sharing.ts';
import { useGetSharingQuery } from '../app/api/sharing-api.ts';
import { useMayReach } from '../app/use-role.ts';
import { lazyWithPreload } from '../ui/lazy-with-preload.ts';

const ShareDrawer = lazyWithPreload(() => import('./share-drawer.tsx'));

interface LetPhoneJoinProps {
  /** As what it may join. */
  readonly roles: readonly HallRole[];
  /** Which page of the program it opens. */
  readonly path: string;
}

/** Opens the way for phones to join; not shown on a phone that did. */
export function LetPhoneJoin({ roles, path }: LetPhoneJoinProps) {
  const mayShare = useMayReach('sharing');
  const { data } = useGetSharingQuery(undefined, { skip: !mayShare });
  const [isOpen, setOpen] = useState(false);
  // A phone may not let others in.
  if (!mayShare) return null;
  const joined = data?.shared ? Object.values(data.shared.joined).reduce((sum, count) => sum + count, 0) : 0;
  return (
    <>
      <Button size="small" aria-haspopup="dialog" onClick={() => startTransition(() => setOpen(true))}>
        {data?.shared ? `Phones joined: ${joined}` : 'Let a phone join'}
      </Button>
      {isOpen && (
        <Suspense fallback={null}>
          <ShareDrawer roles={roles} path={path} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
