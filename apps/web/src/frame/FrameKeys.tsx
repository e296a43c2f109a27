import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { paths } from '../app/paths.ts';
import { focusEntryLine } from '../entry/focusEntryLine.ts';
import { useSelection } from '../selection/SelectionContext.tsx';
import { useSession, useSessionState } from '../session/SessionContext.tsx';
import { useFrameState } from './FrameState.tsx';

/** The keys that work everywhere on an aircraft's screens, except inside a field where they would be typed. */
export function FrameKeys() {
  const session = useSession();
  const { design } = useSessionState();
  const { toggleMargin, showKeys, areKeysShown } = useFrameState();
  const { clear } = useSelection();
  const navigate = useNavigate();
  const { id } = design.aircraft;
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const act = actionOf(event);
      if (act === undefined || areKeysShown) return;
      event.preventDefault();
      act();
    };
    const actionOf = (event: KeyboardEvent): (() => void) | undefined => {
      const isTyping = event.target instanceof HTMLElement && event.target.matches('input, textarea, select');
      if (event.ctrlKey || event.metaKey) {
        const key = event.key.toLowerCase();
        if (key === 'k') return focusEntryLine;
        if (isTyping) return undefined;
        if (key === 'z') return () => (event.shiftKey ? session.redo() : session.undo());
        return key === 'y' ? () => session.redo() : undefined;
      }
      if (isTyping || event.altKey) return undefined;
      switch (event.key) {
        case '/':
          return focusEntryLine;
        case '?':
          return () => showKeys(true);
        case 'i':
          return () => void navigate(paths.parts(id));
        case 'w':
          return () => void navigate(paths.wiring(id));
        case 'p':
          return () => void navigate(paths.documents(id));
        case 'm':
          return toggleMargin;
        case 'Escape':
          return clear;
        default:
          return undefined;
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [session, id, navigate, toggleMargin, showKeys, areKeysShown, clear]);
  return null;
}
