import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { Toaster } from 'sonner';
import { registerSW } from 'virtual:pwa-register';
import { openAhead } from './records/useRecords.ts';
import './app.css';
import { persistOptions, queryClient, resumeWrites } from './offline/queryClient.ts';
import { Broken } from './shell/Broken.tsx';
import { GroundGate } from './shell/GroundGate.tsx';
import { Home } from './shell/Home.tsx';
import { Shell } from './shell/Shell.tsx';
import { lastGround } from './shell/useGround.ts';
import { ReadScreen } from './stages/read/ReadScreen.tsx';
import { PreferencesProvider } from './preferences/PreferencesProvider.tsx';

if (import.meta.env.PROD) registerSW({ immediate: true });
void openAhead(queryClient, /^\/g\/([0-9a-f-]{36})\//.exec(location.pathname)?.[1] ?? lastGround());

const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Broken />,
    children: [
      { path: '/', element: <Home /> },
      {
        path: '/grounds/new',
        lazy: async () => ({ Component: (await import('./ground/NewGroundScreen.tsx')).NewGroundScreen }),
      },
      {
        path: '/bag/:bagId',
        lazy: async () => ({ Component: (await import('./stages/sample/bags/BagGate.tsx')).BagGate }),
      },
      {
        path: '/settings',
        lazy: async () => ({ Component: (await import('./settings/SettingsScreen.tsx')).SettingsScreen }),
      },
      {
        path: '/g/:groundId',
        element: <GroundGate />,
        children: [
          { path: 'day', lazy: async () => ({ Component: (await import('./day/DayScreen.tsx')).DayScreen }) },
          { path: 'read', element: <ReadScreen /> },
          {
            path: 'sample',
            lazy: async () => ({ Component: (await import('./stages/sample/SampleStage.tsx')).SampleStage }),
            children: [
              {
                index: true,
                lazy: async () => ({ Component: (await import('./stages/sample/pan/PanScreen.tsx')).PanScreen }),
              },
              {
                path: 'bags',
                lazy: async () => ({ Component: (await import('./stages/sample/bags/BagsScreen.tsx')).BagsScreen }),
              },
              {
                path: 'tags',
                lazy: async () => ({ Component: (await import('./stages/sample/bags/TagsScreen.tsx')).TagsScreen }),
              },
              {
                path: 'pits',
                lazy: async () => ({ Component: (await import('./stages/sample/pits/PitsScreen.tsx')).PitsScreen }),
              },
              {
                path: 'screens',
                lazy: async () => ({
                  Component: (await import('./stages/sample/screens/ScreensScreen.tsx')).ScreensScreen,
                }),
              },
              {
                path: 'meaning',
                lazy: async () => ({
                  Component: (await import('./stages/sample/meaning/MeaningScreen.tsx')).MeaningScreen,
                }),
              },
              {
                path: 'in-place',
                lazy: async () => ({
                  Component: (await import('./stages/sample/inPlace/InPlaceScreen.tsx')).InPlaceScreen,
                }),
              },
              {
                path: 'table',
                lazy: async () => ({ Component: (await import('./stages/sample/table/TableScreen.tsx')).TableScreen }),
              },
              {
                path: 'hands',
                lazy: async () => ({ Component: (await import('./stages/sample/hands/HandsScreen.tsx')).HandsScreen }),
              },
            ],
          },
          { path: 'set', lazy: async () => ({ Component: (await import('./stages/set/SetScreen.tsx')).SetScreen }) },
          { path: 'run', lazy: async () => ({ Component: (await import('./stages/run/RunScreen.tsx')).RunScreen }) },
          {
            path: 'clean',
            lazy: async () => ({ Component: (await import('./stages/clean/CleanScreen.tsx')).CleanScreen }),
          },
          {
            path: 'books',
            lazy: async () => ({ Component: (await import('./stages/books/BooksScreen.tsx')).BooksScreen }),
          },
        ],
      },
      { path: '*', element: <Home /> },
    ],
  },
]);

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
        <RouterProvider router={router} />
        <Toaster
          position="top-center"
          toastOptions={{
            unstyled: true,
            classNames: {
              toast: 'flex w-full items-center gap-3 border-2 border-ink bg-picked px-4 py-3 text-ink',
              actionButton: 'ml-auto underline underline-offset-4',
            },
          }}
        />
      </PersistQueryClientProvider>
    </PreferencesProvider>
  </StrictMode>,
);
