import type { KeyHelp } from '../addresses/stageDef.ts';

/** Keys that work on every page of an aircraft: as they are bound, and as the help says them. */
export const FRAME_KEYS = {
  entry: { hotkeys: ['/', 'shift+/'], keys: '/ or Ctrl K', what: 'entry line: type a command' },
  undo: { hotkeys: ['mod+z'], keys: 'Ctrl Z', what: 'undo' },
  redo: { hotkeys: ['mod+y', 'mod+shift+z'], keys: 'Ctrl Y', what: 'redo' },
  margin: { hotkeys: ['m'], keys: 'm', what: 'hide or show the margin' },
  letGo: { hotkeys: ['escape'], keys: 'Escape', what: 'clear the selection' },
  help: { hotkeys: ['?', 'shift+?'], keys: '?', what: 'this help' },
} as const satisfies Readonly<Record<string, KeyHelp & { readonly hotkeys: readonly string[] }>>;
