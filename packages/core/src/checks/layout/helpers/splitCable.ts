import type { SimpleEdit } from '../../../edits/registry.ts';
import { nextTag } from '../../../edits/references.ts';
import { portAt } from '../../../graph/cableJoins.ts';
import type { Graph } from '../../../graph/graph.ts';
import type { Cable, CableEnd, Conductor, Leg } from '../../../model/aircraft.ts';
import { CONNECTOR_FAMILIES, type Connector, type ConnectorFamily } from '../../../model/connector.ts';
import { asId, type CableId, type ConductorId, type LegId, type NodeId } from '../../../model/ids.ts';
import type { Remedy } from '../../finding.ts';

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

/** The end of a leg that is cut off, and its wires by their contacts there. */
interface CutEnd {
  readonly end: CableEnd;
  readonly wires: readonly { readonly wire: Conductor; readonly n: number }[];
}

/**
 * Cuts a leg in two with a pair of plugs at a joint: what is beyond it becomes a cable of its own. None where a loom branches at both
 * ends of the leg: it is built over the joint by hand.
 */
export function splitRemedies(graph: Graph, cable: Cable, leg: Leg, joint: string): readonly Remedy[] {
  const cut = cutEnd(cable, leg);
  const near = cut === undefined ? undefined : cable.nodes[cut.end.id === leg.b ? leg.a : leg.b];
  const pair = cut === undefined ? undefined : pairFor(cut);
  if (cut === undefined || pair === undefined) return [];
  const isLiveAtNear = (near?.is === 'end' && feeds(graph, near)) || !feeds(graph, cut.end);
  // The half that stays live when they are pulled apart has its contacts inside a socket.
  const [nearHalf, farHalf] = isLiveAtNear ? (['socket', 'plug'] as const) : (['plug', 'socket'] as const);
  const outer = outerPart(graph, cable, leg, cut, { ...pair, gender: farHalf });
  return [
    {
      label: `Plugs at "${joint}"`,
      sentence: `Split ${cable.tag} with a pair of plugs, ${CONNECTOR_FAMILIES[pair.family].title}, ${pair.positions}-way, at the joint "${joint}"; ${outer.tag} is the part beyond it.`,
      edit: {
        kind: 'batch',
        title: `Split ${cable.tag} at the joint "${joint}"`,
        edits: splitEdits(cable, leg, cut.end, { ...pair, gender: nearHalf }, outer),
      },
    },
  ];
}

/** The end that only this leg leads to: of a plain cable its second one. */
function cutEnd({ nodes, legs, conductors }: Cable, leg: Leg): CutEnd | undefined {
  const isOnlyHere = (node: NodeId): boolean =>
    Object.values(legs).every((other) => other.id === leg.id || (other.a !== node && other.b !== node));
  for (const side of ['b', 'a'] as const) {
    const end = nodes[leg[side]];
    if (end?.is !== 'end' || !isOnlyHere(end.id)) continue;
    return { end, wires: Object.values(conductors).flatMap((wire) => (wire.leg === leg.id ? [{ wire, n: wire[side].n }] : [])) };
  }
  return undefined;
}

/** A family that takes every wire of the leg, with as many positions as are used at its end. */
function pairFor({ wires }: CutEnd): Pick<Connector, 'family' | 'positions'> | undefined {
  const positions = Math.max(1, ...wires.map(({ n }) => n));
  const found = BETWEEN_CABLES.find(({ family, most }) => {
    const [thickest, thinnest] = CONNECTOR_FAMILIES[family].awg;
    return positions <= most && wires.every(({ wire: { awg } }) => awg >= thickest && awg <= thinnest);
  });
  return found === undefined ? undefined : { family: found.family, positions };
}

function feeds(graph: Graph, end: CableEnd): boolean {
  return portAt(graph, end)?.port.pins.some(({ role }) => role === 'supply-out') === true;
}

/** The new cable from the joint on: it ends where the old one did, wire by wire. */
function outerPart({ design }: Graph, cable: Cable, { twistMm }: Leg, { end: far, wires }: CutEnd, connector: Connector): Cable {
  // Wires that share a contact at the far end go on as one, as thick as the thickest of them.
  const byContact = new Map<number, Conductor>();
  for (const { wire, n } of [...wires].sort((x, y) => y.wire.awg - x.wire.awg)) byContact.set(n, wire);
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
