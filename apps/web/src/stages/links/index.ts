import { STAGES } from '@wired-falcon/core';
import type { StageDef } from '../../addresses/stageDef.ts';

export const links: StageDef = {
  id: 'links',
  title: STAGES.links,
  frame: async () => (await import('../../addresses/TabbedFrame.tsx')).TabbedFrame,
  pages: [
    { id: 'chains', title: 'Chains', path: '', load: async () => (await import('./ChainsView.tsx')).ChainsView },
    { id: 'channels', title: 'RC channels', path: 'channels', load: async () => (await import('./rc/ChannelsPage.tsx')).ChannelsPage },
    { id: 'modes', title: 'Modes and failsafe', path: 'modes', load: async () => (await import('./rc/ModesPage.tsx')).ModesPage },
    { id: 'picture', title: 'OSD', path: 'picture', load: async () => (await import('./rc/PicturePage.tsx')).PicturePage },
    { id: 'ports', title: 'Port board', path: 'ports', load: async () => (await import('./PortBoardView.tsx')).PortBoardView },
  ],
  keys: [
    { keys: 'arrow keys', what: 'on a stick: move it; on the OSD: move the field' },
    { keys: 'Delete', what: 'on the OSD: remove the field' },
  ],
};
