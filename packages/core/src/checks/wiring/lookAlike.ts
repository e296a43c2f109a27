import { listed } from '../../text/lists.ts';
import type { SimpleEdit } from '../../edits/registry.ts';
import { takesSeveralCables, type Connector } from '../../model/connector.ts';
import { LIMITS } from '../../model/limits.ts';
import { isServoPort } from './fitsButWrong.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { joinedCables, type JoinedCable } from '../helpers/joins.ts';

/** Cables with equal plugs and different pin maps, as long as not every one of them carries a label. */
export const lookAlike: Check = {
  id: 'wire.look-alike',
  stage: 'wiring',
  title: 'Cables that look alike',
  run: ({ graph }) => {
    const alike = new Map<string, JoinedCable[]>();
    for (const cable of joinedCables(graph)) {
      const { endA, endB } = cable.plain;
      // The lead of a servo is fixed to it, and has a check of its own.
      if (isServoPort(cable.plain.a) && isServoPort(cable.plain.b)) continue;
      if (takesSeveralCables(endA.connector) || takesSeveralCables(endB.connector) || cable.joins.length === 0) continue;
      const plugs = [endA.connector, endB.connector].map(plugKey).sort().join(' ');
      alike.set(plugs, [...(alike.get(plugs) ?? []), cable]);
    }
    return [...alike.values()].flatMap(sayingFor);
  },
};

function plugKey({ family, positions, gender }: Connector): string {
  return `${family}/${positions}/${gender}`;
}

/** The pin map, read from the end that gives the smaller text, since nobody sees which end is A. */
function mapOf({ plain }: JoinedCable): string {
  const forth = plain.conductors.map(({ a, b }) => `${a.n}-${b.n}`).sort();
  const back = plain.conductors.map(({ a, b }) => `${b.n}-${a.n}`).sort();
  return [forth.join(' '), back.join(' ')].sort()[0] ?? '';
}

function sayingFor(cables: readonly JoinedCable[]): Saying[] {
  const isLabelled = cables.every(({ plain }) => (plain.cable.label ?? '') !== '');
  if (new Set(cables.map(mapOf)).size < 2 || isLabelled) return [];
  const tags = cables.map(({ plain }) => plain.cable.tag);
  return [
    {
      severity: 'note',
      where: cables.map(({ plain }) => ({ is: 'cable', cable: plain.cable.id })),
      what: `${listed(tags)} have equal plugs and different pin maps.`,
      evidence: cables.map((cable) => ({ label: cable.plain.cable.tag, value: mapOf(cable) })),
      why: 'One taken for the other fits, and puts supply where a signal belongs. Both ends of each get a label.',
      remedies: () => [labelThem(cables)],
    },
  ];
}

function labelThem(cables: readonly JoinedCable[]): Remedy {
  const edits = cables.flatMap(({ plain }): SimpleEdit[] => {
    if ((plain.cable.label ?? '') !== '') return [];
    const value = `only ${plain.a.ref} ${plain.a.port.label} to ${plain.b.ref} ${plain.b.port.label}`.slice(0, LIMITS.labelChars);
    return [{ kind: 'set-cable-text', cable: plain.cable.id, field: 'label', value, was: plain.cable.label ?? '' }];
  });
  return {
    label: 'Label them',
    sentence: 'Give each of them a label that says where it belongs; it is printed at both ends.',
    edit: { kind: 'batch', title: 'Label the cables that look alike', edits },
  };
}
