import { STAGES } from '@wired-falcon/core';
import type { StageDef } from '../../addresses/stageDef.ts';

export const brief: StageDef = {
  id: 'brief',
  title: STAGES.brief,
  frame: async () => (await import('./BriefFrame.tsx')).BriefFrame,
  pages: [
    { id: 'brief', title: 'Brief', path: '', load: async () => (await import('./BriefView.tsx')).BriefView },
    { id: 'boards', title: 'Controllers', path: 'boards', load: async () => (await import('./BoardsPage.tsx')).BoardsPage },
  ],
  keys: [],
};
