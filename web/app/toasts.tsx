import { Suspense } from 'react';
import { later } from '../ui/later.ts';
import { useAppSelector } from './store.ts';

const ToastMessage = later(() => import('./toast-message.tsx'));

/** Messages that come and go, the newest on top. */
export function Toasts() {
  const toast = useAppSelector((state) => state.toasts.at(-1));
  return (
    toast && (
      <Suspense fallback={null}>
        <ToastMessage key={toast.id} toast={toast} />
      </Suspense>
    )
  );
}
