import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { AircraftFrame } from '../frame/AircraftFrame.tsx';
import { HangarView } from '../views/hangar/HangarView.tsx';
import { PartsView } from '../views/parts/PartsView.tsx';
import { WiringView } from '../views/wiring/WiringView.tsx';
import { CrashPage } from './CrashPage.tsx';

const queries = new QueryClient({
  defaultOptions: {
    queries: { networkMode: 'always', refetchOnWindowFocus: false, retry: 1 },
    mutations: { networkMode: 'always' },
  },
});

/** Screens that are not the first that one sees come when they are opened. */
const later = {
  brief: async () => ({ Component: (await import('../views/brief/BriefView.tsx')).BriefView }),
  layout: async () => ({ Component: (await import('../views/layout/LayoutFrame.tsx')).LayoutFrame }),
  plan: async () => ({ Component: (await import('../views/layout/LayoutView.tsx')).LayoutView }),
  antennas: async () => ({ Component: (await import('../views/layout/AntennasPage.tsx')).AntennasPage }),
  framePlan: async () => ({ Component: (await import('../views/layout/FramePage.tsx')).FramePage }),
  sensors: async () => ({ Component: (await import('../views/layout/SensorsPage.tsx')).SensorsPage }),
  range: async () => ({ Component: (await import('../views/layout/RangePage.tsx')).RangePage }),
  power: async () => ({ Component: (await import('../views/power/PowerFrame.tsx')).PowerFrame }),
  river: async () => ({ Component: (await import('../views/power/PowerView.tsx')).PowerView }),
  loads: async () => ({ Component: (await import('../views/power/LoadsPage.tsx')).LoadsPage }),
  mission: async () => ({ Component: (await import('../views/power/MissionPage.tsx')).MissionPage }),
  situations: async () => ({ Component: (await import('../views/power/SituationsPage.tsx')).SituationsPage }),
  wires: async () => ({ Component: (await import('../views/power/WiresPage.tsx')).WiresPage }),
  conditioning: async () => ({ Component: (await import('../views/power/ConditioningPage.tsx')).ConditioningPage }),
  ladder: async () => ({ Component: (await import('../views/ladder/PinLadderView.tsx')).PinLadderView }),
  documents: async () => ({ Component: (await import('../views/documents/DocumentsView.tsx')).DocumentsView }),
  booklet: async () => ({ Component: (await import('../views/documents/BookletPage.tsx')).BookletPage }),
  document: async () => ({ Component: (await import('../views/documents/DocumentPage.tsx')).DocumentPage }),
  workshopParts: async () => ({ Component: (await import('../views/workshopParts/WorkshopPartsView.tsx')).WorkshopPartsView }),
  partEditor: async () => ({ Component: (await import('../views/partEditor/PartEditorView.tsx')).PartEditorView }),
} as const;

/** Fetched while nothing else is to do, so that every screen opens when the server is away. */
function fetchScreens(): void {
  for (const screen of Object.values(later)) screen().catch(() => undefined);
}
window.addEventListener('load', () => setTimeout(fetchScreens, 1000), { once: true });

const router = createBrowserRouter([
  { path: '/', element: <HangarView />, errorElement: <CrashPage /> },
  { path: '/workshop/parts', lazy: later.workshopParts, errorElement: <CrashPage /> },
  { path: '/workshop/parts/:id', lazy: later.partEditor, errorElement: <CrashPage /> },
  {
    path: '/aircraft/:id',
    element: <AircraftFrame />,
    errorElement: <CrashPage />,
    children: [
      { index: true, element: <Navigate to="wiring" replace /> },
      { path: 'brief', lazy: later.brief },
      {
        path: 'layout',
        lazy: later.layout,
        children: [
          { index: true, lazy: later.plan },
          { path: 'antennas', lazy: later.antennas },
          { path: 'range', lazy: later.range },
          { path: 'sensors', lazy: later.sensors },
          { path: 'frame', lazy: later.framePlan },
        ],
      },
      {
        path: 'power',
        lazy: later.power,
        children: [
          { index: true, lazy: later.river },
          { path: 'loads', lazy: later.loads },
          { path: 'mission', lazy: later.mission },
          { path: 'situations', lazy: later.situations },
          { path: 'wires', lazy: later.wires },
          { path: 'conditioning', lazy: later.conditioning },
        ],
      },
      { path: 'parts', element: <PartsView /> },
      { path: 'wiring', element: <WiringView /> },
      { path: 'wiring/:cable', lazy: later.ladder },
      { path: 'documents', lazy: later.documents },
      { path: 'documents/booklet', lazy: later.booklet },
      { path: 'documents/:kind/:subject', lazy: later.document },
    ],
  },
  { path: '*', element: <CrashPage /> },
]);

export function App() {
  return (
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  );
}
