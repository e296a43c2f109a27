import { STAGES } from '@wired-falcon/core';
import type { StageDef } from '../../addresses/stageDef.ts';

export const links: StageDef = {
  id: 'links',
  title: STAGES.links,
  pages: [{ id: 'chains', title: 'Chains', path: '', load: async () => (await import('./ChainsView.tsx')).ChainsView }],
  keys: [],
};
