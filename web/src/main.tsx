import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { lazy, StrictMode, Suspense, useEffect } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import './app.css';
import { broughtLists } from './api/opening.ts';
import { persistOptions, queryClient, restoreFirst, resumeWrites } from './offline/queryClient.ts';
import { PreferencesProvider } from './preferences/PreferencesProvider.tsx';
import { knownGrounds, openAhead } from './records/useRecords.ts';
import { Pages } from './shell/Pages.tsx';
import { useSeen } from './ui/useSeen.ts';
import { groundToOpen, lastGround } from './shell/useGround.ts';

// For `npm run bench`: what came before was fetching and compiling.
performance.mark('scripts run');
// The device's own copy of the page brings nothing along: what was kept beside it is all there is without a signal.
if (broughtLists.length === 0) await restoreFirst();
const inAddress = /^\/g\/([0-9a-f-]{36})\//.exec(location.pathname)?.[1];
void openAhead(queryClient, inAddress ?? lastGround());
// The bare address opens the ground worked last, or the first of the book: where it is known already, at once.
const known = location.pathname === '/' ? groundToOpen(knownGrounds(queryClient)) : undefined;
if (known) history.replaceState(null, '', `/g/${known}/read`);

const Toaster = lazy(() => import('./ui/Toaster.tsx'));

/** What the first sight does not need: the place for toasts, and the worker that keeps the page for a day without signal. */
function AfterFirstSight() {
  const seen = useSeen();
  useEffect(() => {
    if (seen && import.meta.env.PROD)
      void import('virtual:pwa-register').then(({ registerSW }) => registerSW({ immediate: true }));
  }, [seen]);
  return seen && <Suspense>{<Toaster />}</Suspense>;
}

// Not awaited: what was read is on the screen while what waits is being sent. A cache that cannot be read costs no write.
const resumeSoon = (): void => {
  void resumeWrites();
};

const root = document.getElementById('root');
if (!root) throw new Error('The page has no root element.');
createRoot(root).render(
  <StrictMode>
    <PreferencesProvider>
      <PersistQueryClientProvider
        client={queryClient}
        persistOptions={persistOptions}
        onSuccess={resumeSoon}
        onError={resumeSoon}
      >
        <BrowserRouter>
          <Pages />
        </BrowserRouter>
        <AfterFirstSight />
      </PersistQueryClientProvider>
    </PreferencesProvider>
  </StrictMode>,
);
