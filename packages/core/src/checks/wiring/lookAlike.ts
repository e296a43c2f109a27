import { listed } from '../../text/lists.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { takesSeveralCables, type Connector } from '../../model/connector.ts';
import { LIMITS } from '../../model/limits.ts';
import { plainCable, type PortLeg } from '../../graph/cableJoins.ts';
import { isServoPort } from './fitsButWrong.ts';
import type { Check, Remedy, Saying } from '../finding.ts';

/** Cables with equal plugs and different pin maps, as long as not every one of them carries a label. */
export const lookAlike: Check = {
  id: 'wire.look-alike',
  stage: 'wiring',
  title: 'Cables that look alike',
  run: ({ graph }) => {
    const alike = new Map<string, PortLeg[]>();
    for (const cable of graph.cables) {
      const plain = plainCable(graph, cable);
      if (plain === undefined) continue;
      const { endA, endB } = plain;
      // The lead of a servo is fixed to it, and has a check of its own.
      if (isServoPort(plain.a) && isServoPort(plain.b)) continue;
      if (takesSeveralCables(endA.connector) || takesSeveralCables(endB.connector) || plain.conductors.length === 0) continue;
      const plugs = [endA.connector, endB.connector].map(plugKey).sort().join(' ');
      alike.set(plugs, [...(alike.get(plugs) ?? []), plain]);
    }
    return [...alike.values()].flatMap(sayingFor);
  },
};

function plugKey({ family, positions, gender }: Connector): string {
  return `${family}/${positions}/${gender}`;
}

/** The pin map, read from the end that gives the smaller text, since nobody sees which end is A. */
function mapOf({ conductors }: PortLeg): string {
  const forth = conductors.map(({ a, b }) => `${a.n}-${b.n}`).sort();
  const back = conductors.map(({ a, b }) => `${b.n}-${a.n}`).sort();
  return [forth.join(' '), back.join(' ')].sort()[0] ?? '';
}

function sayingFor(cables: readonly PortLeg[]): Saying[] {
  const isLabelled = cables.every(({ cable }) => (cable.label ?? '') !== '');
  if (new Set(cables.map(mapOf)).size < 2 || isLabelled) return [];
  const tags = cables.map(({ cable }) => cable.tag);
  return [
    {
      severity: 'note',
      where: cables.map(({ cable }) => ({ is: 'cable', cable: cable.id })),
      what: `${listed(tags)} have the same plugs and different pin maps.`,
      evidence: cables.map((plain) => ({ label: plain.cable.tag, value: mapOf(plain) })),
      why: 'If they are mixed up, the plugs fit and supply meets a signal. Label both ends of each.',
      remedies: () => [labelThem(cables)],
    },
  ];
}

function labelThem(cables: readonly PortLeg[]): Remedy {
  const edits = cables.flatMap(({ cable, a, b }): SimpleEdit[] => {
    if ((cable.label ?? '') !== '') return [];
    const value = `only ${a.ref} ${a.port.label} to ${b.ref} ${b.port.label}`.slice(0, LIMITS.labelChars);
    return [{ kind: 'set-cable-text', cable: cable.id, field: 'label', value, was: cable.label ?? '' }];
  });
  return {
    label: 'Label them',
    sentence: 'Give each a label that says where it belongs; it is printed at both ends.',
    edit: { kind: 'batch', title: 'Label the cables that look alike', edits },
  };
}
