import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { RegistryContext } from '../addresses/RegistryContext.tsx';
import type { Registry } from '../addresses/screens.ts';
import { AircraftFrame } from '../frame/AircraftFrame.tsx';
import { stages } from '../stages/index.ts';
import { workshopPages } from '../workshop/index.ts';
import { routesOf } from './routes.tsx';
import { startWorker } from './startWorker.ts';

const queries = new QueryClient({
  defaultOptions: {
    queries: { networkMode: 'always', refetchOnWindowFocus: false, retry: 1 },
    mutations: { networkMode: 'always' },
  },
});

const registry: Registry = { stages, workshop: workshopPages };

/** Fetched while nothing else is to do, so that every screen opens when the server is away. */
function fetchScreens(): void {
  const loads = [
    ...workshopPages.map(({ load }) => load),
    ...stages.flatMap(({ frame, pages }) => [frame, ...pages.map(({ load }) => load)]),
  ];
  for (const load of loads) load?.().catch(() => undefined);
}
window.addEventListener('load', () => setTimeout(fetchScreens, 1000), { once: true });

const router = createBrowserRouter(routesOf(registry, <AircraftFrame startWorker={startWorker} />));

export function App() {
  return (
    <QueryClientProvider client={queries}>
      <RegistryContext value={registry}>
        <RouterProvider router={router} />
      </RegistryContext>
    </QueryClientProvider>
  );
}
