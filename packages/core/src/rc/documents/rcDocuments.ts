import type { Graph } from '../../graph/graph.ts';
import type { DocumentKind } from '../../harness/documents/documentKind.ts';
import type { Sheet } from '../../harness/documents/sheet.ts';
import { isWhole, wholeAircraft } from '../../harness/documents/wholeAircraft.ts';
import { isRcBegun } from '../../model/rcPlan.ts';
import { flightSwitches } from '../modes/flightSwitches.ts';
import { channelCard } from './channelCard.ts';
import { failsafeCard } from './failsafeCard.ts';
import { modeCard } from './modeCard.ts';
import { radioSetupSheet } from './radioSetupSheet.ts';

/** A document of the RC plan, there as soon as the plan is begun. */
function ofPlan(build: (graph: Graph) => Sheet, isThere: (graph: Graph) => boolean = () => true): Pick<DocumentKind, 'subjects' | 'build'> {
  return {
    subjects: (graph) => wholeAircraft(graph, isRcBegun(graph.design.aircraft.rc) && isThere(graph)),
    build: (graph, subject) => (isWhole(subject) ? build(graph) : undefined),
  };
}

/** What is printed and exported of RC. */
export const rcDocuments: readonly DocumentKind[] = [
  {
    id: 'channel-card',
    title: 'Channel card',
    summary: 'Every RC channel with its use, its source, its end points, and measurements.',
    ...ofPlan(channelCard),
  },
  {
    id: 'mode-card',
    title: 'Mode card',
    summary: 'What every switch position selects; pocket size.',
    ...ofPlan(modeCard, (graph) => flightSwitches(graph.design).length > 0),
  },
  {
    id: 'failsafe-card',
    title: 'Failsafe card',
    summary: 'What happens, and when, on loss of signal or ground link, or when the pack is low.',
    ...ofPlan(failsafeCard),
  },
  {
    id: 'radio-setup',
    title: 'Radio set-up',
    summary: 'How to set up the radio and the receiver, step by step.',
    ...ofPlan(radioSetupSheet),
  },
];
