import { createBrowserRouter } from 'react-router';
import { SPACE } from '../ui/space.ts';
import { GaragePage } from '../stations/garage/garage-page.tsx';
import { ErrorScreen, NotFoundScreen } from './error-screen.tsx';
import { Shell } from './shell.tsx';

/** All but the Garage are fetched when first opened: the Garage is usable without them. */
export const router = createBrowserRouter(
  [
    {
      path: '/',
      element: <Shell />,
      errorElement: <ErrorScreen />,
      hydrateFallbackElement: <></>,
      children: [
        { index: true, element: <GaragePage /> },
        { path: 'cars/:carId/design', lazy: async () => ({ Component: (await import('../stations/design/design-page.tsx')).DesignPage }) },
        { path: 'cars/:carId/track', lazy: async () => ({ Component: (await import('../stations/track/track-page.tsx')).TrackPage }) },
        {
          path: 'cars/:carId/track/sheet',
          lazy: async () => ({ Component: (await import('../stations/track/sheet-page.tsx')).SheetPage }),
        },
        { path: 'cars/:carId/track/film', lazy: async () => ({ Component: (await import('../stations/track/film-page.tsx')).FilmPage }) },
        { path: 'cars/:carId/bench', lazy: async () => ({ Component: (await import('../stations/bench/bench-page.tsx')).BenchPage }) },
        {
          path: 'cars/:carId/bench/sheets',
          lazy: async () => ({ Component: (await import('../stations/bench/bench-sheets-page.tsx')).BenchSheetsPage }),
        },
        {
          path: 'cars/:carId/bench/film',
          lazy: async () => ({ Component: (await import('../stations/bench/coast-film-page.tsx')).CoastFilmPage }),
        },
        { path: 'cars/:carId/build', lazy: async () => ({ Component: (await import('../stations/build/build-page.tsx')).BuildPage }) },
        {
          path: 'cars/:carId/build/print',
          lazy: async () => ({ Component: (await import('../stations/build/print-page.tsx')).BuildPrintPage }),
        },
        { path: 'cars/:carId/tune', lazy: async () => ({ Component: (await import('../stations/tune/tune-page.tsx')).TunePage }) },
        {
          path: 'cars/:carId/brief',
          lazy: async () => ({ Component: (await import('../stations/brief/car-brief-page.tsx')).CarBriefPage }),
        },
        { path: 'cars/:carId/learn', lazy: async () => ({ Component: (await import('../stations/learn/learn-page.tsx')).LearnPage }) },
        { path: 'learn', lazy: async () => ({ Component: (await import('../stations/learn/learn-page.tsx')).ExamplePage }) },
        { path: 'race', lazy: async () => ({ Component: (await import('../stations/race/race-page.tsx')).RacePage }) },
        { path: 'meets', lazy: async () => ({ Component: (await import('../stations/meet/meets-page.tsx')).MeetsPage }) },
        { path: 'meets/:meetId', lazy: async () => ({ Component: (await import('../stations/meet/meet-page.tsx')).MeetPage }) },
        { path: 'meets/:meetId/board', lazy: async () => ({ Component: (await import('../stations/meet/board-page.tsx')).BoardPage }) },
        {
          path: 'meets/:meetId/print',
          lazy: async () => ({ Component: (await import('../stations/meet/meet-print-page.tsx')).MeetPrintPage }),
        },
        { path: 'briefs', lazy: async () => ({ Component: (await import('../stations/brief/briefs-page.tsx')).BriefsPage }) },
        { path: 'briefs/:briefId', lazy: async () => ({ Component: (await import('../stations/brief/brief-page.tsx')).BriefPage }) },
        { path: 'classes', lazy: async () => ({ Component: (await import('../stations/class/classes-page.tsx')).ClassesPage }) },
        { path: 'classes/:classId', lazy: async () => ({ Component: (await import('../stations/class/class-page.tsx')).ClassPage }) },
        { path: 'classes/:classId/cards', lazy: async () => ({ Component: (await import('../stations/class/cards-page.tsx')).CardsPage }) },
        { path: 'class', lazy: async () => ({ Component: (await import('../stations/class/crew-class-page.tsx')).CrewClassPage }) },
        { path: '*', element: <NotFoundScreen /> },
      ],
    },
  ],
  { basename: SPACE.base || '/' },
);
