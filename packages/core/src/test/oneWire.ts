import { mateOf } from '../model/connector.ts';
import type { Design } from '../model/design.ts';
import { asId, type CableId, type ConductorId, type LegId, type NodeId } from '../model/ids.ts';
import { made, portOfItem } from './designs.ts';

/** A cable with one single wire between two pins, each as reference and address: `RX1`, `SBUS.3`. */
export function oneWire(design: Design, from: readonly [ref: string, pin: string], to: readonly [ref: string, pin: string]): Design {
  const [a, b] = [placeOf(design, from), placeOf(design, to)];
  const end = (id: NodeId, { at }: Place) => ({
    id,
    is: 'end' as const,
    at: { is: 'port' as const, item: at.itemId, port: at.port.id },
    connector: mateOf(at.port.connector),
  });
  const [nodeA, nodeB, leg] = [asId<NodeId>('?1'), asId<NodeId>('?2'), asId<LegId>('?3')];
  const conductor = {
    id: asId<ConductorId>('?4'),
    leg,
    a: { node: nodeA, n: a.n },
    b: { node: nodeB, n: b.n },
    awg: 26,
    colour: 'white' as const,
  };
  return made(design, {
    kind: 'add-cable',
    cable: {
      id: asId<CableId>('?5'),
      tag: `W0${Object.keys(design.aircraft.cables).length + 1}`,
      nodes: { [nodeA]: end(nodeA, a), [nodeB]: end(nodeB, b) },
      legs: { [leg]: { id: leg, a: nodeA, b: nodeB } },
      conductors: { [conductor.id]: conductor },
    },
  });
}

type Place = ReturnType<typeof placeOf>;

function placeOf(design: Design, [ref, pin]: readonly [string, string]) {
  const dot = pin.lastIndexOf('.');
  return { at: portOfItem(design, ref, pin.slice(0, dot)), n: Number(pin.slice(dot + 1)) };
}
