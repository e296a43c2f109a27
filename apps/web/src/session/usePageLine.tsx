import { dayText } from '@wired-falcon/core';
import type { ReactNode } from 'react';
import { useSessionState } from './SessionContext.tsx';

/** The line that stands on every printed page, and the style that puts it there. */
export function usePageLine(): { readonly line: string; readonly style: ReactNode } {
  const { design, version } = useSessionState();
  const today = dayText(Date.now());
  const line = `${design.aircraft.name}, after ${version === 1 ? '1 edit' : `${version} edits`}, ${today}`;
  const rule = `@page { @bottom-left { content: ${JSON.stringify(line)}; font-family: 'IBM Plex Mono', monospace; font-size: 9pt; } }`;
  return { line, style: <style>{rule}</style> };
}
