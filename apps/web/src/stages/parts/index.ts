import type { StageDef } from '../../addresses/stageDef.ts';

export const parts: StageDef = {
  id: 'parts',
  title: 'Parts',
  opensWith: 'i',
  pages: [{ id: 'parts', title: 'Parts', path: '', load: async () => (await import('./PartsView.tsx')).PartsView }],
  keys: [],
};
