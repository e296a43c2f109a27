import type { DocumentKind } from '../../harness/documents/documentKind.ts';
import { controllersOf } from '../../harness/documents/registry.ts';
import { isWhole, wholeAircraft } from '../../harness/documents/wholeAircraft.ts';
import { hovers } from '../../model/airframes.ts';
import { asId, type ItemId } from '../../model/ids.ts';
import { linkedServos } from '../linkage/servoTravel.ts';
import { mainRack } from '../plan/racks.ts';
import { motorPlan } from './motorPlan.ts';
import { outputCard } from './outputCard.ts';
import { directionCard } from './directionCard.ts';
import { surfaceSheet } from './surfaceSheet.ts';

/** What is printed and exported of outputs. */
export const outputDocuments: readonly DocumentKind[] = [
  {
    id: 'output-card',
    title: 'Output card',
    summary: 'Every output of a controller with its bank and pulses, its function and mixer row, and what it drives.',
    subjects: controllersOf,
    build: (graph, subject) => outputCard(graph, asId<ItemId>(subject)),
  },
  {
    id: 'motor-plan',
    title: 'Motor and propeller plan',
    summary: 'Every lift motor: number, position, rotation of motor and propeller, and what remains if it fails.',
    subjects: (graph) => wholeAircraft(graph, hovers(graph.design.aircraft.airframe.kind)),
    build: (graph, subject) => (isWhole(subject) ? motorPlan(graph) : undefined),
  },
  {
    id: 'surface-sheet',
    title: 'Surface sheet',
    summary: 'Every servo that moves a surface: holes, rod, throws in degrees and mm, trims, and torque margin.',
    subjects: (graph) => wholeAircraft(graph, linkedServos(graph).length > 0),
    build: (graph, subject) => (isWhole(subject) ? surfaceSheet(graph) : undefined),
  },
  {
    id: 'direction-card',
    title: 'Direction card',
    summary: 'The four steps that prove every direction, with the expected result, to tick off at the bench.',
    subjects: (graph) => wholeAircraft(graph, mainRack(graph) !== undefined),
    build: (graph, subject) => (isWhole(subject) ? directionCard(graph) : undefined),
  },
];
