import { createContext, useContext, useEffect, useState, useSyncExternalStore, type ReactNode } from 'react';
import { useQuery } from '@tanstack/react-query';
import { graphOf, withFreshIds, type AircraftId, type Design, type Edit, type Graph } from '@wired-falcon/core';
import { authorName, makeId } from './author.ts';
import type { EditSession } from './editSession.ts';
import { NotOpened } from './NotOpened.tsx';
import { openAircraft } from './openAircraft.ts';
import type { SessionState } from './sessionState.ts';
import { startSession } from './startSession.ts';
import { useWorkshopDialects } from './workshopDialects.ts';
import { useWorkshopParts } from './workshopParts.ts';

const SessionContext = createContext<EditSession | undefined>(undefined);

/** Loads an aircraft and holds its edit session for everything inside. */
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
  return <WithOwnRevisions session={session}>{children}</WithOwnRevisions>;
}

function WithOwnRevisions({ session, children }: { readonly session: EditSession; readonly children: ReactNode }) {
  const parts = useWorkshopParts();
  const dialects = useWorkshopDialects();
  useEffect(
    () => session.learn({ parts: parts.map(({ part }) => part), dialects: dialects.map(({ dialect }) => dialect) }),
    [session, parts, dialects],
  );
  return <SessionContext value={session}>{children}</SessionContext>;
}

export function useSession(): EditSession {
  const session = useContext(SessionContext);
  if (session === undefined) throw new Error('This needs an aircraft around it.');
  return session;
}

export function useSessionState(): SessionState {
  const session = useSession();
  return useSyncExternalStore(session.subscribe, session.getState);
}

/** The document as it stands, alone: who reads only this is not drawn again when an edit arrives at the server. */
export function useDesign(): Design {
  const session = useSession();
  return useSyncExternalStore(session.subscribe, () => session.getState().design);
}

/** The graph of the design as it stands, for look-ups. Built once per version. */
export function useGraph(): Graph {
  return graphOf(useDesign());
}

/** Makes an edit whose new things still have placeholder ids. */
export function useMake(): (edit: Edit) => ReturnType<EditSession['make']> {
  const session = useSession();
  return (edit) => session.make(withFreshIds(edit, makeId));
}
