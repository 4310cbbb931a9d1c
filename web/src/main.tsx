import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { lazy, StrictMode, Suspense, useEffect, useState } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import './app.css';
import { persistOptions, queryClient, resumeWrites } from './offline/queryClient.ts';
import { PreferencesProvider } from './preferences/PreferencesProvider.tsx';
import { openAhead } from './records/useRecords.ts';
import { Pages } from './shell/Pages.tsx';
import { lastGround } from './shell/useGround.ts';

void openAhead(queryClient, /^\/g\/([0-9a-f-]{36})\//.exec(location.pathname)?.[1] ?? lastGround());

const Toaster = lazy(() => import('./ui/Toaster.tsx'));

/** What the first sight does not need: the place for toasts, and the worker that keeps the page for a day without signal. */
function AfterFirstSight() {
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    const later = setTimeout(() => setSeen(true), 0);
    if (import.meta.env.PROD)
      void import('virtual:pwa-register').then(({ registerSW }) => registerSW({ immediate: true }));
    return () => clearTimeout(later);
  }, []);
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
