import { ErrorBoundary } from 'react-error-boundary';
import { Suspense } from 'react';
import { lazyWithPreload } from '../ui/lazy-with-preload.ts';
import plain from '../ui/plain.module.css';
import { useAppSelector } from './store.ts';

const ToastMessage = lazyWithPreload(() => import('./toast-message.tsx'));

/** Messages that come and go, the newest on top. Where their program could not be fetched, the words alone. */
export function Toasts() {
  const toast = useAppSelector((state) => state.toasts.at(-1));
  return (
    toast && (
      <ErrorBoundary
        resetKeys={[toast.id]}
        fallback={
          <p role="status" className={plain.text}>
            {toast.message}
          </p>
        }
      >
        <Suspense fallback={null}>
          <ToastMessage key={toast.id} toast={toast} />
        </Suspense>
      </ErrorBoundary>
    )
  );
}
