import { createBrowserRouter } from 'react-router';
import { GaragePage } from '../stations/garage/garage-page.tsx';
import { ErrorScreen, NotFoundScreen } from './error-screen.tsx';
import { Shell } from './shell.tsx';

/** Design and Track are fetched when first opened: the Garage is usable without them. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <ErrorScreen />,
    hydrateFallbackElement: <></>,
    children: [
      { index: true, element: <GaragePage /> },
      { path: 'cars/:carId/design', lazy: async () => ({ Component: (await import('../stations/design/design-page.tsx')).DesignPage }) },
      { path: 'cars/:carId/track', lazy: async () => ({ Component: (await import('../stations/track/track-page.tsx')).TrackPage }) },
      { path: '*', element: <NotFoundScreen /> },
    ],
  },
]);
