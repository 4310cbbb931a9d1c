import { pageAt } from '@riffle/contract';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode, Suspense, useEffect } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import './app.css';
import { broughtLists } from './api/opening.ts';
import { lookIntoOutbox, somethingMayWait } from './offline/outbox.ts';
import { openDevice, queryClient } from './offline/queryClient.ts';
import { PreferencesProvider } from './preferences/PreferencesProvider.tsx';
import { knownGrounds, openAhead, takeBroughtLists, takeKeptAhead } from './records/openAhead.ts';
import { Broken } from './shell/Broken.tsx';
import { pagesHere } from './shell/page.tsx';
import { Pages } from './shell/Pages.tsx';
import { useSeen } from './ui/useSeen.ts';
import { groundToOpen, lastGround } from './shell/useGround.ts';
import { late, untilHere } from './ui/late.ts';

// For `npm run bench`: what came before was fetching and compiling.
performance.mark('scripts run');
/** A store or code that does not come keeps the page blank no longer than this. */
const ANSWER_WITHIN_MS = 1500;
const soon = (what: Promise<unknown>) =>
  Promise.race([what.catch(() => undefined), new Promise((resolve) => setTimeout(resolve, ANSWER_WITHIN_MS))]);

const Toaster = late(async () => (await import('./ui/Toaster.tsx')).default);

/** What the first sight does not need: the place for toasts, and the worker that keeps the page for a day without signal. */
function AfterFirstSight() {
  const seen = useSeen();
  useEffect(() => {
    if (!seen || !import.meta.env.PROD) return;
    // What offers the home screen listens before the worker is there: the browser asks once it is.
    void untilHere(() => import('./shell/install.ts'));
    void untilHere(() => import('virtual:pwa-register')).then(({ registerSW }) => registerSW({ immediate: true }));
  }, [seen]);
  return (
    seen && (
      <Broken of={null} quiet>
        <Suspense>
          <Toaster />
        </Suspense>
      </Broken>
    )
  );
}

/** Draws the page once what it opens with is here. Not at the top of this script: the scripts of the pages wait for its end. */
async function begin(root: HTMLElement): Promise<void> {
  openDevice();
  const pages = pagesHere(location.pathname);
  const opens = /^\/g\/([0-9a-f-]{36})\//.exec(location.pathname)?.[1] ?? lastGround();
  await soon(
    Promise.all([
      // The device's own copy of the page brings nothing along: what was kept beside it is all there is without a signal.
      broughtLists.length === 0 && takeKeptAhead(opens),
      // What was done and not sent yet is in the first drawing: nothing shows a number without it.
      somethingMayWait() && lookIntoOutbox(),
    ]),
  );
  const taken = takeBroughtLists(queryClient);
  void openAhead(queryClient, opens, pageAt(location.pathname));
  await soon(Promise.all([pages, taken]));
  // The bare address opens the ground worked last, or the first of the book: where it is known already, at once.
  const known = location.pathname === '/' ? groundToOpen(knownGrounds(queryClient)) : undefined;
  if (known) history.replaceState(null, '', `/g/${known}/read`);
  createRoot(root).render(
    <StrictMode>
      <PreferencesProvider>
        <QueryClientProvider client={queryClient}>
          {/* What was picked is drawn at once: as a transition the list would first fall back to what stood in it. */}
          <BrowserRouter useTransitions={false}>
            <Pages />
          </BrowserRouter>
          <AfterFirstSight />
        </QueryClientProvider>
      </PreferencesProvider>
    </StrictMode>,
  );
}

const root = document.getElementById('root');
if (!root) throw new Error('The page has no root element.');
void begin(root);
