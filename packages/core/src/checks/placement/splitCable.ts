import type { SimpleEdit } from '../../edits/registry.ts';
import { nextTag } from '../../edits/references.ts';
import { portAt } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import type { Cable, CableEnd, Conductor, Leg } from '../../model/aircraft.ts';
import { CONNECTOR_FAMILIES, type Connector, type ConnectorFamily } from '../../model/connector.ts';
import { asId, type CableId, type ConductorId, type LegId, type NodeId } from '../../model/ids.ts';
import type { Remedy } from '../finding.ts';

/** What is used between two cables, the most usual first: the first that takes all of the wires is proposed. */
const BETWEEN_CABLES: readonly { readonly family: ConnectorFamily; readonly most: number }[] = [
  { family: 'pin-2.54', most: 8 },
  { family: 'XT30', most: 2 },
  { family: 'XT60', most: 2 },
  { family: 'XT90', most: 2 },
  { family: 'bullet-3.5', most: 3 },
  { family: 'locking-2.0', most: 8 },
  { family: 'locking-1.25', most: 12 },
];

const nearNode = asId<NodeId>('a');
const farNode = asId<NodeId>('b');
const onlyLeg = asId<LegId>('leg');

/** Cuts a plain cable in two with a pair of plugs at a joint. None for a loom, which is built over the joint branch by branch. */
export function splitRemedies(graph: Graph, cable: Cable, leg: Leg, joint: string): readonly Remedy[] {
  const [near, far] = [cable.nodes[leg.a], cable.nodes[leg.b]];
  if (Object.keys(cable.legs).length !== 1 || near?.is !== 'end' || far?.is !== 'end') return [];
  const pair = pairFor(cable);
  if (pair === undefined) return [];
  const isLiveAtNear = feeds(graph, near) || !feeds(graph, far);
  // The half that stays live when they are pulled apart has its contacts inside a socket.
  const [nearHalf, farHalf] = isLiveAtNear ? (['socket', 'plug'] as const) : (['plug', 'socket'] as const);
  const outer = outerPart(graph, cable, leg, far, { ...pair, gender: farHalf });
  return [
    {
      label: `Plugs at "${joint}"`,
      sentence: `Split ${cable.tag} with a pair of plugs, ${CONNECTOR_FAMILIES[pair.family].title}, ${pair.positions}-way, at the joint "${joint}"; ${outer.tag} is the part beyond it.`,
      edit: {
        kind: 'batch',
        title: `Split ${cable.tag} at the joint "${joint}"`,
        edits: splitEdits(cable, leg, far, { ...pair, gender: nearHalf }, outer),
      },
    },
  ];
}

/** A family that takes every wire of a cable, with as many positions as are used at its far end. */
function pairFor({ conductors }: Cable): Pick<Connector, 'family' | 'positions'> | undefined {
  const wires = Object.values(conductors);
  const positions = Math.max(1, ...wires.map(({ b }) => b.n));
  const found = BETWEEN_CABLES.find(({ family, most }) => {
    const [thickest, thinnest] = CONNECTOR_FAMILIES[family].awg;
    return positions <= most && wires.every(({ awg }) => awg >= thickest && awg <= thinnest);
  });
  return found === undefined ? undefined : { family: found.family, positions };
}

function feeds(graph: Graph, end: CableEnd): boolean {
  return portAt(graph, end)?.port.pins.some(({ role }) => role === 'supply-out') === true;
}

/** The new cable from the joint on: it ends where the old one did, wire by wire. */
function outerPart({ design }: Graph, cable: Cable, { twistMm }: Leg, far: CableEnd, connector: Connector): Cable {
  // Wires that share a contact at the far end go on as one, as thick as the thickest of them.
  const byContact = new Map<number, Conductor>();
  for (const wire of Object.values(cable.conductors).sort((x, y) => y.awg - x.awg)) byContact.set(wire.b.n, wire);
  const conductors = [...byContact].map(([n, { awg, colour }], i): Conductor => ({
    id: asId<ConductorId>(`?${i + 2}`),
    leg: onlyLeg,
    a: { node: nearNode, n },
    b: { node: farNode, n },
    awg,
    colour,
  }));
  return {
    id: asId<CableId>('?1'),
    tag: nextTag(design.aircraft),
    nodes: {
      [nearNode]: { id: nearNode, is: 'end', at: { is: 'mate', cable: cable.id, node: far.id }, connector },
      [farNode]: { ...far, id: farNode },
    },
    legs: { [onlyLeg]: { id: onlyLeg, a: nearNode, b: farNode, ...(twistMm === undefined ? {} : { twistMm }) } },
    conductors: Object.fromEntries(conductors.map((conductor) => [conductor.id, conductor])),
  };
}

function splitEdits(cable: Cable, leg: Leg, far: CableEnd, connector: Connector, outer: Cable): readonly SimpleEdit[] {
  const { id: node, absent } = far;
  const typed = leg.typedLengthMm;
  return [
    { kind: 'set-cable-end', cable: cable.id, node, at: { is: 'free' }, was: far.at },
    ...(absent === undefined ? [] : [{ kind: 'set-absent-contacts' as const, cable: cable.id, node, absent: [], was: absent }]),
    { kind: 'set-end-connector', cable: cable.id, node, connector, was: far.connector },
    // What was typed was the length of both, and the point that both were led by lies beyond the joint or before it.
    ...(typed === undefined ? [] : [{ kind: 'set-leg-length' as const, cable: cable.id, leg: leg.id, lengthMm: null, was: typed }]),
    ...(leg.via === undefined ? [] : [{ kind: 'set-leg-via' as const, cable: cable.id, leg: leg.id, via: null, was: leg.via }]),
    { kind: 'add-cable', cable: outer },
  ];
}
