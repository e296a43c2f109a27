import { endName, serialHops, type SerialEnd } from '../../links/serialHops.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Check, Saying } from '../finding.ts';
import { endSubject, setAtEnd } from './serialRemedies.ts';

/** A companion's serial port that still carries its login console. */
export const consoleInTheWay: Check = {
  id: 'link.console-in-the-way',
  stage: 'links',
  title: 'Login console on a link',
  run: ({ graph }) =>
    serialHops(graph).flatMap(({ a, b }) =>
      [
        { end: a, far: b },
        { end: b, far: a },
      ].flatMap(({ end, far }) => consoleAt(graph, end, far)),
    ),
};

function consoleAt(graph: Graph, end: SerialEnd, far: SerialEnd): Saying[] {
  const { item } = end.entry;
  if (end.endpoint.console !== true || item.settings[`${end.endpoint.id}.console`] === false) return [];
  const isSet = item.settings[`${end.endpoint.id}.console`] === true;
  return [
    {
      severity: 'mend',
      where: [endSubject(end)],
      what: `${endName(end)} still carries its login console, and ${far.entry.item.ref} is on it.`,
      evidence: [{ label: `${item.ref} console`, value: isSet ? 'on' : 'on (default)', limit: 'off' }],
      why: 'The computer sends login prompts to the link and reads its data as keystrokes; its start-up can stop there.',
      remedies: () => setAtEnd(graph, end, 'console', false, 'no console'),
    },
  ];
}
