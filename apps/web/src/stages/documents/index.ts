import type { StageDef } from '../../addresses/stageDef.ts';

export const documents: StageDef = {
  id: 'documents',
  title: 'Documents',
  opensWith: 'p',
  pages: [
    { id: 'documents', title: 'Documents', path: '', load: async () => (await import('./DocumentsView.tsx')).DocumentsView },
    { id: 'booklet', title: 'Booklet', path: 'booklet', load: async () => (await import('./BookletPage.tsx')).BookletPage },
    { id: 'document', title: 'Document', path: ':kind/:subject', load: async () => (await import('./DocumentPage.tsx')).DocumentPage },
  ],
  keys: [],
};
