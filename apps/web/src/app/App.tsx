import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { AircraftFrame } from '../frame/AircraftFrame.tsx';
import { BriefView } from '../views/brief/BriefView.tsx';
import { BookletPage } from '../views/documents/BookletPage.tsx';
import { DocumentPage } from '../views/documents/DocumentPage.tsx';
import { DocumentsView } from '../views/documents/DocumentsView.tsx';
import { HangarView } from '../views/hangar/HangarView.tsx';
import { PinLadderView } from '../views/ladder/PinLadderView.tsx';
import { PartsView } from '../views/parts/PartsView.tsx';
import { WiringView } from '../views/wiring/WiringView.tsx';
import { CrashPage } from './CrashPage.tsx';

const queries = new QueryClient({
  defaultOptions: {
    queries: { networkMode: 'always', refetchOnWindowFocus: false, retry: 1 },
    mutations: { networkMode: 'always' },
  },
});

const router = createBrowserRouter([
  { path: '/', element: <HangarView />, errorElement: <CrashPage /> },
  {
    path: '/aircraft/:id',
    element: <AircraftFrame />,
    errorElement: <CrashPage />,
    children: [
      { index: true, element: <Navigate to="wiring" replace /> },
      { path: 'brief', element: <BriefView /> },
      { path: 'parts', element: <PartsView /> },
      { path: 'wiring', element: <WiringView /> },
      { path: 'wiring/:cable', element: <PinLadderView /> },
      { path: 'documents', element: <DocumentsView /> },
      { path: 'documents/booklet', element: <BookletPage /> },
      { path: 'documents/:kind/:subject', element: <DocumentPage /> },
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
