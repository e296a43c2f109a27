import type { DocumentKind } from '../../harness/documents/documentKind.ts';
import { controllersOf } from '../../harness/documents/registry.ts';
import { isWhole, wholeAircraft } from '../../harness/documents/wholeAircraft.ts';
import { hovers } from '../../model/airframes.ts';
import { asId, type ItemId } from '../../model/ids.ts';
import { motorPlan } from './motorPlan.ts';
import { outputCard } from './outputCard.ts';

/** What is printed and exported of outputs. */
export const outputDocuments: readonly DocumentKind[] = [
  {
    id: 'output-card',
    title: 'Output card',
    summary: 'Every output of a controller with its bank and pulses, its function and mixer row, and what is on it.',
    subjects: controllersOf,
    build: (graph, subject) => outputCard(graph, asId<ItemId>(subject)),
  },
  {
    id: 'motor-plan',
    title: 'Motor and propeller plan',
    summary: 'Every lift motor: number, place, which way it and its propeller turn, and what is left without it.',
    subjects: (graph) => wholeAircraft(graph, hovers(graph.design.aircraft.airframe.kind)),
    build: (graph, subject) => (isWhole(subject) ? motorPlan(graph) : undefined),
  },
];
