import { STAGES } from '@wired-falcon/core';
import type { StageDef } from '../../addresses/stageDef.ts';

export const outputs: StageDef = {
  id: 'outputs',
  title: STAGES.outputs,
  pages: [{ id: 'rack', title: 'Output rack', path: '', load: async () => (await import('./RackPage.tsx')).RackPage }],
  keys: [
    { keys: 'Arrows', what: 'from output to output' },
    { keys: 'Shift+Arrows', what: 'take the function along to the next output' },
    { keys: 'Enter', what: 'choose the output' },
  ],
};
