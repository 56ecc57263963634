import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/bricolage-grotesque/wght.css';
import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router/dom';
import { carsApi } from './app/api/cars-api.ts';
import { router } from './app/routes.tsx';
import { makeStore } from './app/store.ts';
import { claimTab } from './app/tab.ts';
import { theme } from './app/theme.ts';
import { shareTicks } from './crew-space/shared-ticks.ts';
import { SPACE } from './ui/space.ts';
import { styleNonce } from './ui/style-nonce.ts';

const nonce = styleNonce();
const styles = createCache({ key: 'na', ...(nonce && { nonce }) });

// The Garage's list is asked for while the page is still being made.
const store = makeStore();
if (window.location.pathname.slice(SPACE.base.length).replace(/^\/$/, '') === '')
  void store.dispatch(carsApi.endpoints.listCars.initiate());

// What was ticked on another device of a crew is here before the first screen is.
await Promise.all([claimTab(), shareTicks()]);
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <CacheProvider value={styles}>
      <ThemeProvider theme={theme} defaultMode="system">
        <CssBaseline />
        <Provider store={store}>
          <RouterProvider router={router} />
        </Provider>
      </ThemeProvider>
    </CacheProvider>
  </StrictMode>,
);

/** ms after the page stands: its own files come first. */
const OFFLINE_AFTER = 3000;
if (import.meta.env.PROD && 'serviceWorker' in navigator)
  setTimeout(() => requestIdleCallback(() => void navigator.serviceWorker.register('/sw.js').catch(console.error)), OFFLINE_AFTER);
