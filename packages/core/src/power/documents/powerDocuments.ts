import type { Graph } from '../../graph/graph.ts';
import type { DocumentKind, DocumentSubject } from '../../harness/documents/documentKind.ts';
import { isWhole, wholeAircraft } from '../../harness/documents/wholeAircraft.ts';
import { powerNetwork } from '../network/powerNetwork.ts';
import { currentSheet } from '../report/currentSheet.ts';
import { scenariosOf } from '../scenarios/scenario.ts';
import { faultSheet } from './faultSheet.ts';
import { netSheet } from './netSheet.ts';
import { railSheet } from './railSheet.ts';

function hasSupply(graph: Graph): boolean {
  return powerNetwork(graph).devices.some(
    ({ device }) => device.is === 'element' && (device.element.is === 'battery' || device.element.is === 'source'),
  );
}

function situations(graph: Graph): readonly DocumentSubject[] {
  return hasSupply(graph) ? scenariosOf(graph.design.aircraft).map(({ id, title }) => ({ id, title })) : [];
}

/** What is printed and exported of power. */
export const powerDocuments: readonly DocumentKind[] = [
  {
    id: 'supplies',
    title: 'Supplies and rails',
    summary: 'Lowest voltage and largest current of every supply over all situations, against its rating; endurance.',
    subjects: (graph) => wholeAircraft(graph, hasSupply(graph)),
    build: (graph, subject) => (isWhole(subject) ? railSheet(graph) : undefined),
  },
  {
    id: 'faults',
    title: 'Single faults',
    summary: 'What each single fault costs, what stops, and what fails with it.',
    subjects: (graph) => wholeAircraft(graph, hasSupply(graph)),
    build: (graph, subject) => (isWhole(subject) ? faultSheet(graph) : undefined),
  },
  {
    id: 'nets',
    title: 'Nets in a situation',
    summary: 'Every net on a supply, with its voltages and pins.',
    isOnlyByItself: true,
    subjects: situations,
    build: (graph, subject) => netSheet(graph, subject),
  },
  {
    id: 'currents',
    title: 'Currents in a situation',
    summary: 'Current and voltage drop of every wire.',
    isOnlyByItself: true,
    subjects: situations,
    build: (graph, subject) => currentSheet(graph, subject),
  },
];
