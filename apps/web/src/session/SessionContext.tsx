import { createContext, useContext, useEffect, useState, useSyncExternalStore, type ReactNode } from 'react';
import { useQuery } from '@tanstack/react-query';
import { graphOf, withFreshIds, type AircraftId, type Edit, type Graph } from '@wired-falcon/core';
import { authorName, makeId } from './author.ts';
import { EditSession } from './editSession.ts';
import { browserPendingStore, holdSession } from './pendingStore.ts';
import type { SessionState } from './sessionState.ts';
import { transport } from './transport.ts';
import { useWorkshopParts } from './workshopParts.ts';
import { useAnalysis, type Analysis } from '../workers/useAnalysis.ts';

interface Current {
  readonly session: EditSession;
  readonly analysis: Analysis;
}

const SessionContext = createContext<Current | undefined>(undefined);

const PULL_MS = 5000;

/**
 * Takes up what sessions that are gone had not sent. What did arrive, though its answer was lost, is left out. While the server
 * is away the queues stay where they are, for the next session.
 */
async function takeUp(session: EditSession, author: string): Promise<void> {
  for (const record of await browserPendingStore.takeUp(session.id, author)) {
    const { edits } = await transport.since(session.id, record.version);
    const arrived = new Set(edits.map((entry) => entry.editId));
    session.resume(
      record.edits.filter((submitted) => !arrived.has(submitted.editId)),
      record.asked,
    );
    await browserPendingStore.forget([record]);
  }
}

/** Loads an aircraft and holds its edit session and analysis for everything inside. */
export function SessionProvider({ id, children }: { readonly id: AircraftId; readonly children: ReactNode }) {
  const author = authorName();
  const loaded = useQuery({
    queryKey: ['aircraft', id, author],
    queryFn: () => transport.load(id, author),
    staleTime: 0,
    gcTime: 0,
    structuralSharing: false,
    refetchOnReconnect: false,
  });
  const [session, setSession] = useState<EditSession>();
  const { data } = loaded;
  useEffect(() => {
    if (data === undefined) return;
    const name = makeId();
    const release = holdSession(name);
    const made = new EditSession(id, data, {
      transport,
      author,
      makeId,
      now: () => new Date().toISOString(),
      later: (task, ms) => {
        const timer = setTimeout(task, ms);
        return () => clearTimeout(timer);
      },
      keep: (kept) => void browserPendingStore.save({ aircraft: id, session: name, author, ...kept }),
    });
    setSession(made);
    takeUp(made, author).catch(() => undefined);
    const timer = setInterval(() => {
      if (document.visibilityState === 'visible') void made.pull();
    }, PULL_MS);
    return () => {
      clearInterval(timer);
      made.close();
      release();
    };
  }, [id, author, data]);
  if (loaded.isError) return <LoadFailure sentence={loaded.error.message} />;
  if (session === undefined || session.id !== id) return <p className="p-6 text-ink2">Opening the aircraft ...</p>;
  return <WithAnalysis session={session}>{children}</WithAnalysis>;
}

function LoadFailure({ sentence }: { readonly sentence: string }) {
  return (
    <main className="p-6">
      <h1 className="text-xl font-bold">This aircraft cannot be opened</h1>
      <p className="mt-2 max-w-prose">{sentence}</p>
      <a className="mt-4 inline-block underline" href="/">
        Back to the hangar
      </a>
    </main>
  );
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
