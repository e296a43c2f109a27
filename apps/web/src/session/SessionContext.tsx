import { createContext, useContext, useEffect, useState, useSyncExternalStore, type ReactNode } from 'react';
import { useQuery } from '@tanstack/react-query';
import { graphOf, withFreshIds, type AircraftId, type Edit, type Graph } from '@wired-falcon/core';
import { authorName, makeId } from './author.ts';
import type { EditSession } from './editSession.ts';
import { NotOpened } from './NotOpened.tsx';
import { openAircraft } from './openAircraft.ts';
import type { SessionState } from './sessionState.ts';
import { startSession } from './startSession.ts';
import { useWorkshopParts } from './workshopParts.ts';
import { useAnalysis, type Analysis } from '../workers/useAnalysis.ts';

interface Current {
  readonly session: EditSession;
  readonly analysis: Analysis;
}

const SessionContext = createContext<Current | undefined>(undefined);

/** Loads an aircraft and holds its edit session and analysis for everything inside. */
export function SessionProvider({ id, children }: { readonly id: AircraftId; readonly children: ReactNode }) {
  const author = authorName();
  const opened = useQuery({
    queryKey: ['aircraft', id, author],
    queryFn: () => openAircraft(id, author),
    staleTime: 0,
    gcTime: 0,
    structuralSharing: false,
    refetchOnReconnect: false,
    retry: false,
  });
  const [session, setSession] = useState<EditSession>();
  const { data } = opened;
  useEffect(() => {
    if (data === undefined) return;
    const started = startSession(id, data, author);
    setSession(started.session);
    return started.end;
  }, [id, author, data]);
  if (opened.isError) return <NotOpened error={opened.error} onRetry={() => void opened.refetch()} />;
  if (session === undefined || session.id !== id) return <p className="p-6 text-ink2">Opening the aircraft ...</p>;
  return <WithAnalysis session={session}>{children}</WithAnalysis>;
}

function WithAnalysis({ session, children }: { readonly session: EditSession; readonly children: ReactNode }) {
  const own = useWorkshopParts();
  useEffect(() => session.learn(own.map(({ part }) => part)), [session, own]);
  const analysis = useAnalysis(session);
  return <SessionContext value={{ session, analysis }}>{children}</SessionContext>;
}

function useCurrent(): Current {
  const current = useContext(SessionContext);
  if (current === undefined) throw new Error('This needs an aircraft around it.');
  return current;
}

export function useSession(): EditSession {
  return useCurrent().session;
}

export function useSessionState(): SessionState {
  const session = useSession();
  return useSyncExternalStore(session.subscribe, session.getState);
}

/** The graph of the design as it stands, for look-ups. Built once per version. */
export function useGraph(): Graph {
  return graphOf(useSessionState().design);
}

/** The newest findings that the worker gave, which may be those of a document a moment older. */
export function useFindings(): Analysis {
  return useCurrent().analysis;
}

/** Makes an edit whose new things still have placeholder ids. */
export function useMake(): (edit: Edit) => ReturnType<EditSession['make']> {
  const session = useSession();
  return (edit) => session.make(withFreshIds(edit, makeId));
}
