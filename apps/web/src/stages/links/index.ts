import { STAGES } from '@wired-falcon/core';
import type { StageDef } from '../../addresses/stageDef.ts';

export const links: StageDef = {
  id: 'links',
  title: STAGES.links,
  frame: async () => (await import('./LinksFrame.tsx')).LinksFrame,
  pages: [
    { id: 'chains', title: 'Chains', path: '', load: async () => (await import('./ChainsView.tsx')).ChainsView },
    { id: 'ports', title: 'Port board', path: 'ports', load: async () => (await import('./PortBoardView.tsx')).PortBoardView },
  ],
  keys: [],
};
