import '@fontsource/ibm-plex-sans/latin-400.css';
import '@fontsource/ibm-plex-sans/latin-ext-400.css';
import '@fontsource/ibm-plex-sans/greek-400.css';
import '@fontsource/ibm-plex-sans/latin-500.css';
import '@fontsource/ibm-plex-sans/latin-600.css';
import '@fontsource/ibm-plex-mono/latin-400.css';
import '@fontsource/ibm-plex-mono/latin-500.css';
import './app/styles/base.css';
import './app/styles/plain.css';
import './app/styles/parts.css';
import './app/styles/work.css';
import './app/styles/shelf.css';
import './app/styles/holes.css';
import './app/styles/library.css';
import './app/styles/lookup.css';
import './app/styles/publish.css';
import './app/styles/records.css';
import './app/styles/firstday.css';
import './app/styles/narrow.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { ApiError } from './api/client';
import { router } from './app/routes';
import { AppProvider } from './parts/session';
import { startLook } from './parts/looks';

const queries = new QueryClient({
  defaultOptions: {
    // Without a network everything is tried and fails at once: nothing waits in silence, and nothing is sent later by itself.
    mutations: { networkMode: 'always' },
    queries: {
      networkMode: 'always',
      retry: (count, error) => navigator.onLine && count < 2 && error instanceof ApiError && error.status === 0,
      staleTime: 10_000,
      refetchOnWindowFocus: false,
    },
  },
});

startLook();
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <AppProvider>
        <RouterProvider router={router} />
      </AppProvider>
    </QueryClientProvider>
  </StrictMode>,
);
