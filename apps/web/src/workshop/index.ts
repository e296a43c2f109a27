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
    id: 'dialects',
    word: 'workshop dialects',
    title: 'Dialects of the workshop',
    path: '/workshop/dialects',
    load: async () => (await import('./dialects/WorkshopDialectsView.tsx')).WorkshopDialectsView,
  },
  {
    id: 'dialect',
    title: 'Dialect',
    path: '/workshop/dialects/:id',
    load: async () => (await import('./dialects/DialectView.tsx')).DialectView,
  },
  {
    id: 'from-dump',
    word: 'from dump',
    title: 'Aircraft from a dump',
    path: '/workshop/from-dump',
    load: async () => (await import('./bareStart/BareStartView.tsx')).BareStartView,
  },
  {
    id: 'part',
    title: 'Part',
    path: '/workshop/parts/:id',
    load: async () => (await import('./partEditor/PartEditorView.tsx')).PartEditorView,
  },
];
