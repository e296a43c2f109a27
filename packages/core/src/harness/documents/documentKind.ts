import type { Graph } from '../../graph/graph.ts';
import type { Sheet } from './sheet.ts';

/** Something that a document can be made of. */
export interface DocumentSubject {
  readonly id: string;
  readonly title: string;
}

/** A number that a person chooses for a document. */
export interface DocumentChoice {
  readonly id: string;
  readonly label: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
  readonly default: number;
}

/** One kind of document: what it can be made of, what can be chosen for it, and how it is made. */
export interface DocumentKind {
  readonly id: string;
  readonly title: string;
  readonly summary: string;
  readonly choices?: readonly DocumentChoice[];
  /** Too long for the booklet: printed and exported by itself. */
  readonly isOnlyByItself?: boolean;
  readonly subjects: (graph: Graph) => readonly DocumentSubject[];
  readonly build: (graph: Graph, subject: string, chosen?: Readonly<Record<string, number>>) => Sheet | undefined;
}
