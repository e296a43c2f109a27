import { STAGES } from '@wired-falcon/core';
import type { StageDef } from '../../addresses/stageDef.ts';

export const outputs: StageDef = {
  id: 'outputs',
  title: STAGES.outputs,
  frame: async () => (await import('../../addresses/TabbedFrame.tsx')).TabbedFrame,
  pages: [
    { id: 'rack', title: 'Output rack', path: '', load: async () => (await import('./RackPage.tsx')).RackPage },
    { id: 'linkages', title: 'Linkages', path: 'linkages', load: async () => (await import('./linkage/LinkagePage.tsx')).LinkagePage },
    {
      id: 'directions',
      title: 'Directions',
      path: 'directions',
      load: async () => (await import('./directions/DirectionsPage.tsx')).DirectionsPage,
    },
  ],
  keys: [
    { keys: 'Arrows', what: 'from output to output; on a stick: move it' },
    { keys: 'Shift+Arrows', what: 'move the function to the next output' },
    { keys: 'Enter', what: 'choose the output' },
  ],
};
