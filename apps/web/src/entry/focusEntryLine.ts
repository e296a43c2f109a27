export const ENTRY_LINE_ID = 'entry-line';

/** Puts the cursor into the entry line. What was left in it is marked, so that typing begins anew. */
export function focusEntryLine(): void {
  const line = document.getElementById(ENTRY_LINE_ID);
  line?.focus();
  if (line instanceof HTMLInputElement) line.select();
}

/** Gives the keys back to the screen, after a command that opened another one. */
export function leaveEntryLine(): void {
  document.getElementById(ENTRY_LINE_ID)?.blur();
}
