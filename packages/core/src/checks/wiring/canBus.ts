import { grouped } from '../../text/grouped.ts';
import { stated } from '../../text/numbers.ts';
import { circuitNode, groupOf, type Graph } from '../../graph/graph.ts';
import { knownMm, namesOf, type Bus, type BusLeg } from '../../links/buses/busOf.ts';
import { canBuses, isTerminated, staticNode, terminationOf, type CanEndpoint, type CanMember } from '../../links/buses/canBuses.ts';
import { memberSubjects } from '../helpers/memberSubjects.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { runsOf } from '../../harness/runs.ts';
import { repinByMeaning } from '../helpers/legRemedies.ts';

/** A branch of up to this length does no harm at 1 Mbit/s. */
const STUB_MM = 300;

/** Terminations, exchanged wires, node ids and branches of a CAN bus. */
export const canBus: Check = {
  id: 'wire.can-bus',
  stage: 'wiring',
  title: 'CAN bus',
  run: ({ graph }) => [
    ...canBuses(graph).flatMap((bus) => [...terminations(bus), ...nodeIds(bus), ...branches(graph, bus)]),
    ...exchanged(graph),
  ],
};

function terminations(bus: Bus<CanEndpoint>): Saying[] {
  const { on, is } = terminationOf(bus);
  if (is === 'right') return [];
  const names = namesOf(bus.members);
  const count = on.length === 0 ? 'no termination' : on.length === 1 ? 'one termination' : `${on.length} terminations`;
  return [
    {
      severity: is === 'works' ? 'note' : 'mend',
      where: memberSubjects(bus.members),
      what: `The CAN bus of ${names} has ${count}${on.length === 0 ? '' : ` (${namesOf(on)})`}.`,
      evidence: [
        { label: 'terminations', value: String(on.length), limit: '2, at the two ends' },
        { label: 'length that is known', value: stated(bus.knownLengthMm, 'mm') },
      ],
      why:
        on.length > 2
          ? 'The drivers see too low a resistance: levels shrink, and the bus fails when it is warm or long.'
          : 'Edges are reflected at the open end and read as bits; the longer the bus, the sooner.',
      discriminator: 'terminations',
      remedies: () =>
        on.length > 2
          ? switchOne(on, false)
          : switchOne(
              bus.members.filter((member) => !isTerminated(member)),
              true,
            ),
    },
  ];
}

function switchOne(members: readonly CanMember[], value: boolean): Remedy[] {
  return members
    .filter(({ endpoint }) => endpoint.switchable === true)
    .slice(0, 2)
    .map(({ entry: { item }, endpoint }) => {
      const setting = `${endpoint.id}.terminated`;
      const verb = value ? 'Terminate at' : 'Do not terminate at';
      return {
        label: `${verb} ${item.ref}`,
        sentence: `${verb} ${item.ref}: set its jumper.`,
        edit: { kind: 'set-item-setting' as const, item: item.id, setting, value, was: item.settings[setting] ?? null },
      };
    });
}

function nodeIds(bus: Bus<CanEndpoint>): Saying[] {
  const byNode = grouped(bus.members, staticNode);
  const free = Array.from({ length: 127 }, (_, i) => i + 1).find((node) => !byNode.has(node));
  return [...byNode].flatMap(([node, same]) => (node === undefined || same.length < 2 ? [] : [sameNode(node, same, free)]));
}

function sameNode(node: number, same: readonly CanMember[], free: number | undefined): Saying {
  return {
    severity: 'mend',
    where: memberSubjects(same),
    what: `${namesOf(same)} have the same CAN node id ${node}.`,
    evidence: same.map(({ entry, endpoint }) => ({ label: `${entry.item.ref} ${endpoint.id}`, value: `node ${node}` })),
    why: 'Their messages are confused with each other, and one of the two is ignored.',
    discriminator: `node ${node}`,
    remedies: () =>
      same.slice(1).flatMap(({ entry: { item }, endpoint }): Remedy[] => {
        const setting = `${endpoint.id}.node`;
        if (free === undefined || same.length > 2) return [];
        const edit = { kind: 'set-item-setting' as const, item: item.id, setting, value: free, was: item.settings[setting] ?? null };
        return [{ label: `Give ${item.ref} node ${free}`, sentence: `Give ${item.ref} the CAN node id ${free}.`, edit }];
      }),
  };
}

/** Branches to members that are not at an end, on a bus of three or more. */
function branches(graph: Graph, bus: Bus<CanEndpoint>): Saying[] {
  if (bus.members.length < 3) return [];
  const long = bus.members
    .filter((member) => !isTerminated(member))
    .flatMap((member) => {
      const own = bus.legs.filter((leg) => endsAt(leg, member.entry.item.id));
      const [only] = own;
      const length = own.length === 1 && only !== undefined ? knownMm(graph, only) : 0;
      return only !== undefined && length > STUB_MM ? [{ member, cable: only.cable, length }] : [];
    });
  if (long.length === 0) return [];
  return [
    {
      severity: 'note',
      where: long.map(({ cable }) => ({ is: 'cable', cable: cable.id })),
      what: `The CAN bus has long branches: ${long.map(({ member, cable }) => `${cable.tag} to ${member.entry.item.ref}`).join(', ')}.`,
      evidence: long.map(({ cable, length }) => ({
        label: cable.tag,
        value: stated(length, 'mm'),
        limit: `${stated(STUB_MM, 'mm')} at 1 Mbit/s`,
      })),
      why: 'An unterminated branch reflects edges back into the bus. Terminate at the end of the longest, or shorten it.',
      discriminator: `branches ${bus.members[0]?.entry.item.id ?? ''}`,
    },
  ];
}

function endsAt({ cable, leg }: BusLeg, item: CanMember['entry']['item']['id']): boolean {
  return [leg.a, leg.b].some((id) => {
    const node = cable.nodes[id];
    return node?.is === 'end' && node.at.is === 'port' && node.at.item === item;
  });
}

/** The high wire of one member on the low wire of another. */
function exchanged(graph: Graph): Saying[] {
  const all = graph.items.flatMap((entry, item) =>
    (entry.part?.endpoints ?? []).flatMap((endpoint) => {
      if (endpoint.is !== 'can') return [];
      const [high, low] = [endpoint.high, endpoint.low].map((pin) => circuitNode(graph, item, pin));
      if (high === undefined || low === undefined) return [];
      return [{ item, entry, endpoint, high: groupOf(graph.nets, high), low: groupOf(graph.nets, low) }];
    }),
  );
  return all.flatMap((a, i) =>
    all
      .slice(i + 1)
      .filter((b) => a.item !== b.item && a.high === b.low && a.low === b.high)
      .map((b) => ({
        severity: 'mend' as const,
        where: memberSubjects([a, b]),
        what: `CAN-H and CAN-L are swapped between ${a.entry.item.ref} and ${b.entry.item.ref}.`,
        evidence: [{ label: `H of ${a.entry.item.ref}`, value: `on L of ${b.entry.item.ref}` }],
        why: 'Neither hears the other, and the bus can fail for all.',
        discriminator: 'exchanged',
        remedies: () => uncross(graph, a.entry.item.id, b.entry.item.id),
      })),
  );
}

/** Exchanges the two wires back at one end of the leg between them. */
function uncross(graph: Graph, a: CanMember['entry']['item']['id'], b: CanMember['entry']['item']['id']): Remedy[] {
  const run = runsOf(graph).find((one) => [one.a.itemId, one.b.itemId].every((id) => id === a || id === b));
  const remedy = run === undefined ? undefined : repinByMeaning(graph, run);
  return remedy === undefined ? [] : [remedy];
}
