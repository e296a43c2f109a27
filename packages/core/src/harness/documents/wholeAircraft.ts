import type { Graph } from '../../graph/graph.ts';
import type { DocumentSubject } from './documentKind.ts';

const WHOLE = 'aircraft';

/** The subject of documents that are about the aircraft as a whole; none as long as it is empty. */
export function wholeAircraft(graph: Graph, isThere: boolean): readonly DocumentSubject[] {
  return isThere ? [{ id: WHOLE, title: graph.design.aircraft.name }] : [];
}

export function isWhole(subject: string): boolean {
  return subject === WHOLE;
}
