import type { WorkshopPageDef } from '../addresses/stageDef.ts';

/** Every page outside of aircraft. */
export const workshopPages: readonly WorkshopPageDef[] = [
  {
    id: 'hangar',
    word: 'hangar',
    title: 'Hangar',
    path: '/',
    load: async () => (await import('./hangar/HangarView.tsx')).HangarView,
  },
  {
    id: 'parts',
    word: 'workshop parts',
    title: 'Parts of the workshop',
    path: '/workshop/parts',
    load: async () => (await import('./parts/WorkshopPartsView.tsx')).WorkshopPartsView,
  },
  {
    id: 'part',
    title: 'Part',
    path: '/workshop/parts/:id',
    load: async () => (await import('./partEditor/PartEditorView.tsx')).PartEditorView,
  },
];
