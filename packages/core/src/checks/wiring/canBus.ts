import { stated } from '../../text/numbers.ts';
import { circuitNode, groupOf, type Graph } from '../../graph/graph.ts';
import type { Endpoint } from '../../model/part.ts';
import { busesOf, knownMm, memberSubjects, namesOf, type Bus, type BusLeg, type BusMember } from '../helpers/busOf.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { runsOf } from '../../harness/runs.ts';
import { repinByMeaning } from '../helpers/legRemedies.ts';

type Can = Extract<Endpoint, { is: 'can' }>;
type Member = BusMember<Can>;

/** A bus of up to this length works with one termination. */
const SHORT_MM = 2000;
/** A branch of up to this length does no harm at 1 Mbit/s. */
const STUB_MM = 300;

/** Terminations, exchanged wires, node ids and branches of a CAN bus. */
export const canBus: Check = {
  id: 'wire.can-bus',
  stage: 'wiring',
  title: 'CAN bus',
  run: ({ graph }) => [
    ...busesOf<Can>(graph, (endpoint) => (endpoint.is === 'can' ? { endpoint, pin: endpoint.high } : undefined)).flatMap((bus) => [
      ...terminations(bus),
      ...nodeIds(bus),
      ...branches(graph, bus),
    ]),
    ...exchanged(graph),
  ],
};

/** True when the 120 ohm of a member are on the bus: as set, or as delivered. */
function isTerminated({ entry, endpoint }: Member): boolean {
  const set = entry.item.settings[`${endpoint.id}.terminated`];
  return endpoint.switchable === true && typeof set === 'boolean' ? set : endpoint.terminated;
}

function terminations(bus: Bus<Can>): Saying[] {
  const on = bus.members.filter(isTerminated);
  const isShort = bus.knownLengthMm <= SHORT_MM;
  if (on.length === 2 || bus.members.length < 2) return [];
  const names = namesOf(bus.members);
  const count = on.length === 0 ? 'no termination' : on.length === 1 ? 'one termination' : `${on.length} terminations`;
  return [
    {
      severity: on.length === 1 && isShort ? 'note' : 'mend',
      where: memberSubjects(bus.members),
      what: `The CAN bus of ${names} has ${count}${on.length === 0 ? '' : ` (${namesOf(on)})`}.`,
      evidence: [
        { label: 'terminations', value: String(on.length), limit: '2, at the two ends' },
        { label: 'length that is known', value: stated(bus.knownLengthMm, 'mm') },
      ],
      why:
        on.length > 2
          ? 'The drivers work into too low a resistance: levels shrink, and the bus fails when it is warm or long.'
          : 'Edges come back from the open end and are read as bits; the longer the bus, the sooner.',
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

function switchOne(members: readonly Member[], value: boolean): Remedy[] {
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

function staticNode({ entry, endpoint }: Member): number {
  const set = entry.item.settings[`${endpoint.id}.node`];
  return typeof set === 'number' ? set : 0;
}

function nodeIds(bus: Bus<Can>): Saying[] {
  const byNode = new Map<number, Member[]>();
  for (const member of bus.members) {
    const node = staticNode(member);
    if (node !== 0) byNode.set(node, [...(byNode.get(node) ?? []), member]);
  }
  const taken = new Set(byNode.keys());
  const free = Array.from({ length: 127 }, (_, i) => i + 1).find((node) => !taken.has(node));
  return [...byNode]
    .filter(([, same]) => same.length > 1)
    .map(([node, same]) => ({
      severity: 'mend' as const,
      where: memberSubjects(same),
      what: `${namesOf(same)} have the same CAN node id ${node}.`,
      evidence: same.map(({ entry, endpoint }) => ({ label: `${entry.item.ref} ${endpoint.id}`, value: `node ${node}` })),
      why: 'Their messages are taken for each other, and one of them is ignored.',
      discriminator: `node ${node}`,
      remedies: () =>
        same.slice(1).flatMap(({ entry: { item }, endpoint }): Remedy[] => {
          const setting = `${endpoint.id}.node`;
          if (free === undefined || same.length > 2) return [];
          const edit = { kind: 'set-item-setting' as const, item: item.id, setting, value: free, was: item.settings[setting] ?? null };
          return [{ label: `Give ${item.ref} node ${free}`, sentence: `Give ${item.ref} the CAN node id ${free}.`, edit }];
        }),
    }));
}

/** Branches to members that are not at an end, on a bus of three or more. */
function branches(graph: Graph, bus: Bus<Can>): Saying[] {
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
      why: 'A branch without a termination sends edges back into the bus. Terminate at the end of the longest, or shorten it.',
      discriminator: `branches ${bus.members[0]?.entry.item.id ?? ''}`,
    },
  ];
}

function endsAt({ cable, leg }: BusLeg, item: Member['entry']['item']['id']): boolean {
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
        what: `CAN-H and CAN-L are exchanged between ${a.entry.item.ref} and ${b.entry.item.ref}.`,
        evidence: [{ label: `H of ${a.entry.item.ref}`, value: `on L of ${b.entry.item.ref}` }],
        why: 'Neither hears the other, and the bus can stand still for all.',
        discriminator: 'exchanged',
        remedies: () => uncross(graph, a.entry.item.id, b.entry.item.id),
      })),
  );
}

/** Exchanges the two wires back at one end of the leg between them. */
function uncross(graph: Graph, a: Member['entry']['item']['id'], b: Member['entry']['item']['id']): Remedy[] {
  const run = runsOf(graph).find((one) => [one.a.itemId, one.b.itemId].every((id) => id === a || id === b));
  const remedy = run === undefined ? undefined : repinByMeaning(graph, run);
  return remedy === undefined ? [] : [remedy];
}
