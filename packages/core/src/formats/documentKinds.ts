import type { DocumentKind } from '../harness/documents/documentKind.ts';
import { harnessDocuments } from '../harness/documents/registry.ts';
import { outputDocuments } from '../outputs/documents/outputDocuments.ts';
import { rcDocuments } from '../rc/documents/rcDocuments.ts';
import { powerDocuments } from '../power/documents/powerDocuments.ts';

/** Every kind of document of every stage; pages, CSV and the booklet follow. */
export const documentKinds: readonly DocumentKind[] = [...harnessDocuments, ...rcDocuments, ...outputDocuments, ...powerDocuments];
