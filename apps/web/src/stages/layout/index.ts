import { STAGES, stated } from '@wired-falcon/core';
import type { StageDef } from '../../addresses/stageDef.ts';

export const layout: StageDef = {
  id: 'layout',
  title: STAGES.layout,
  frame: async () => (await import('./LayoutFrame.tsx')).LayoutFrame,
  pages: [
    { id: 'plan', title: 'Plan', path: '', load: async () => (await import('./LayoutView.tsx')).LayoutView },
    {
      id: 'antennas',
      title: 'Antennas and compass',
      path: 'antennas',
      load: async () => (await import('./AntennasPage.tsx')).AntennasPage,
    },
    { id: 'range', title: 'Range', path: 'range', load: async () => (await import('./RangePage.tsx')).RangePage },
    { id: 'sensors', title: 'Sensors and reach', path: 'sensors', load: async () => (await import('./SensorsPage.tsx')).SensorsPage },
    { id: 'frame', title: 'Bays and routes', path: 'frame', load: async () => (await import('./FramePage.tsx')).FramePage },
  ],
  keys: [
    { keys: 'arrow keys', what: `move the part, with Shift by ${stated(1, 'mm')}` },
    { keys: 'r', what: 'turn the part by a quarter' },
    { keys: 'b', what: 'place the pack where it balances the aircraft' },
  ],
};
