import { STAGES } from '@wired-falcon/core';
import type { StageDef } from '../../addresses/stageDef.ts';

export const power: StageDef = {
  id: 'power',
  title: STAGES.power,
  frame: async () => (await import('./PowerFrame.tsx')).PowerFrame,
  pages: [
    { id: 'river', title: 'River and faults', path: '', load: async () => (await import('./PowerView.tsx')).PowerView },
    { id: 'loads', title: 'Loads', path: 'loads', load: async () => (await import('./LoadsPage.tsx')).LoadsPage },
    { id: 'mission', title: 'Mission', path: 'mission', load: async () => (await import('./MissionPage.tsx')).MissionPage },
    { id: 'situations', title: 'Situations', path: 'situations', load: async () => (await import('./SituationsPage.tsx')).SituationsPage },
    { id: 'wires', title: 'Wires and sensors', path: 'wires', load: async () => (await import('./WiresPage.tsx')).WiresPage },
    {
      id: 'conditioning',
      title: 'Conditioning',
      path: 'conditioning',
      load: async () => (await import('./ConditioningPage.tsx')).ConditioningPage,
    },
  ],
  keys: [],
};
