import { STAGES } from '@wired-falcon/core';
import type { StageDef } from '../../addresses/stageDef.ts';

export const wiring: StageDef = {
  id: 'wiring',
  title: STAGES.wiring,
  opensWith: 'w',
  pages: [
    { id: 'sheet', title: 'Wiring sheet', path: '', load: async () => (await import('./WiringView.tsx')).WiringView },
    { id: 'ladder', title: 'Pin ladder', path: ':cable', load: async () => (await import('./ladder/PinLadderView.tsx')).PinLadderView },
  ],
  keys: [
    { keys: 'arrow keys', what: 'on the sheet: from pin to pin; in the ladder: along and across' },
    { keys: 'Enter', what: 'on a pin: choose it, then its counterpart; on a cable tag: open it' },
    { keys: 'Delete', what: 'in the ladder: disconnect the pin' },
    { keys: 'x', what: 'in the ladder: swap the pin with the next one' },
    { keys: 'c', what: 'in the ladder: pull the contact from the housing, or fit it' },
    { keys: 'o', what: 'in the ladder: show the next end opposite' },
  ],
};
