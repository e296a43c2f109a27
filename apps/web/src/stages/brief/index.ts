import { STAGES } from '@wired-falcon/core';
import type { StageDef } from '../../addresses/stageDef.ts';

export const brief: StageDef = {
  id: 'brief',
  title: STAGES.brief,
  pages: [{ id: 'brief', title: 'Brief', path: '', load: async () => (await import('./BriefView.tsx')).BriefView }],
  keys: [],
};
