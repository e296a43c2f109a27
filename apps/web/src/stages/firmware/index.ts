import { STAGES } from '@wired-falcon/core';
import type { StageDef } from '../../addresses/stageDef.ts';

export const firmware: StageDef = {
  id: 'firmware',
  title: STAGES.firmware,
  frame: async () => (await import('../../addresses/TabbedFrame.tsx')).TabbedFrame,
  pages: [
    { id: 'load', title: 'What to load', path: '', load: async () => (await import('./LoadPage.tsx')).LoadPage },
    { id: 'read-back', title: 'Read back', path: 'read-back', load: async () => (await import('./ReadBackPage.tsx')).ReadBackPage },
    {
      id: 'companions',
      title: 'Companion and radios',
      path: 'companions',
      load: async () => (await import('./CompanionsPage.tsx')).CompanionsPage,
    },
    { id: 'dialect', title: 'Dialect', path: 'dialect', load: async () => (await import('./DialectPage.tsx')).DialectPage },
  ],
  keys: [],
};
