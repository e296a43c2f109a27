export const ENTRY_LINE_ID = 'entry-line';

/** Puts the cursor into the entry line. */
export function focusEntryLine(): void {
  document.getElementById(ENTRY_LINE_ID)?.focus();
}

/** Gives the keys back to the screen, after a command that opened another one. */
export function leaveEntryLine(): void {
  document.getElementById(ENTRY_LINE_ID)?.blur();
}
