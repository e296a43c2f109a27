import { stated } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { runsOf } from '../../harness/runs.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { groupPinName, isDriver, joinedGroups, pinOf, type GroupPin } from '../helpers/signalGroups.ts';

/** Two outputs that drive the same wire. Two talkers of one cable are told by the check of TX on TX. */
export const contention: Check = {
  id: 'wire.contention',
  stage: 'wiring',
  title: 'Two outputs on one wire',
  run: ({ graph }) =>
    joinedGroups(graph).flatMap((group): Saying[] => {
      const drivers = group.filter(isDriver);
      const [first, ...others] = drivers;
      const second = others.find((other) => other.item !== first?.item);
      if (first === undefined || second === undefined || isToldElsewhere(graph, drivers)) return [];
      const over = overMaximum(drivers);
      return [
        {
          severity: over === undefined ? 'mend' : 'stop',
          where: drivers.map(pinOf),
          what: `${groupPinName(first)} and ${groupPinName(second)} drive the same wire.`,
          evidence: drivers.map((driver) => ({
            label: groupPinName(driver),
            value: `drives ${stated(driver.pin.logic?.highV ?? 0, 'V')}`,
            ...(driver.pin.logic === undefined ? {} : { limit: `withstands ${stated(driver.pin.logic.inputMaxV, 'V')}` }),
          })),
          why:
            over === undefined
              ? 'Whenever the two differ, both carry a short-circuit current, and neither signal gets through.'
              : `${groupPinName(over)} gets more than it withstands and is destroyed.`,
          remedies: () => takeOneOff(graph, drivers),
        },
      ];
    }),
};

/** All talk serial, joined by cables whose own check says so; or all are video, which has its own check. */
function isToldElsewhere(graph: Graph, drivers: readonly GroupPin[]): boolean {
  if (drivers.every(({ pin }) => pin.role === 'video-out')) return true;
  if (!drivers.every(({ pin }) => pin.role === 'tx')) return false;
  const nodes = new Set(drivers.map(({ node }) => node));
  return runsOf(graph).some(({ joins }) => joins.some(({ a, b }) => nodes.has(a.node) && nodes.has(b.node)));
}

function overMaximum(drivers: readonly GroupPin[]): GroupPin | undefined {
  const highest = Math.max(...drivers.map(({ pin }) => pin.logic?.highV ?? 0));
  return drivers.find(({ pin }) => pin.logic !== undefined && pin.logic.inputMaxV < highest);
}

/** Takes out the one wire that joins two of the drivers directly. */
function takeOneOff(graph: Graph, drivers: readonly GroupPin[]): Remedy[] {
  const nodes = new Set(drivers.map(({ node }) => node));
  const direct = runsOf(graph).flatMap(({ joins }) => joins.filter(({ a, b }) => nodes.has(a.node) && nodes.has(b.node)));
  const [only] = direct;
  const [wire, ...more] = only?.wires ?? [];
  if (only === undefined || direct.length !== 1 || wire === undefined || more.length > 0) return [];
  return [
    {
      label: 'Remove the wire',
      sentence: `Remove the wire between pin ${only.a.pin.n} of ${only.a.ref} and pin ${only.b.pin.n} of ${only.b.ref} from ${wire.cable.tag}.`,
      edit: { kind: 'remove-conductor', cable: wire.cable.id, conductor: wire.conductor.id },
    },
  ];
}
