import { clockText } from '@wired-falcon/core';
import type { SessionState } from '../../session/sessionState.ts';

type Saved = Pick<SessionState, 'saving' | 'savedAt' | 'pending' | 'trouble' | 'keeping' | 'conflicts'>;

/** Where the edits of this window are, in a line. Never says "saved" or "kept" of one that is not. */
export function savedWords({ saving, savedAt, pending, trouble, keeping, conflicts }: Saved): string {
  if (saving === 'saving') return keeping === 'window' ? `saving ${pending}; this browser stores nothing` : `saving ${pending}`;
  if (saving === 'saved') {
    const clock = clockText(savedAt);
    const open = conflicts.length > 0 && keeping === 'window' ? `; ${conflicts.length} not made, in this window only` : '';
    return `saved ${clock}${trouble === undefined ? '' : `; ${why(trouble)}`}${open}`;
  }
  const place = {
    browser: `${pending} kept in this browser`,
    writing: `${pending} waiting`,
    window: `${pending} in this window only, leave it open`,
  }[keeping];
  return trouble === undefined ? place : `${place}: ${why(trouble)}`;
}

function why(trouble: NonNullable<SessionState['trouble']>): string {
  switch (trouble.is) {
    case 'away':
      return 'the server does not answer; trying again';
    case 'key':
      return 'the workshop needs its access key';
    case 'held':
      return 'the server does not accept edits now';
  }
}
