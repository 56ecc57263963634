import Button from '@mui/material/Button';
import { startTransition, Suspense, useState } from 'react';
import { useGetSharingQuery } from '../../app/api.ts';
import { later } from '../../ui/later.ts';

const ShareDrawer = later(() => import('../../devices/share-drawer.tsx'));

/** Opens the way for phones to join; not shown on a phone that did. */
export function LetPhoneJoin() {
  const { data, isError } = useGetSharingQuery();
  const [isOpen, setOpen] = useState(false);
  // A phone may not let others in.
  if (isError) return null;
  return (
    <>
      <Button size="small" aria-haspopup="dialog" onClick={() => startTransition(() => setOpen(true))}>
        {data?.shared ? `Phones joined: ${data.shared.joined}` : 'Let a phone join'}
      </Button>
      {isOpen && (
        <Suspense fallback={null}>
          <ShareDrawer onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
