import { useEffect } from 'react';
import { useSessionState } from '../../session/SessionContext.tsx';

/** Warns before the window closes as long as it alone holds edits. */
export function UnkeptWarning() {
  const { pending, conflicts, keeping } = useSessionState();
  const wouldLose = keeping === 'window' && pending + conflicts.length > 0;
  useEffect(() => {
    if (!wouldLose) return;
    const warn = (event: BeforeUnloadEvent): void => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [wouldLose]);
  return null;
}
