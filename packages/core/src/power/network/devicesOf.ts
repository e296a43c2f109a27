import { itemsApart } from '../../graph/itemsApart.ts';
import { isPortJoined } from '../../graph/matesAt.ts';
import { circuitNode, pinNode, type Graph } from '../../graph/graph.ts';
import { addressesOf } from '../../graph/numbering.ts';
import type { CircuitElement, Port, ResolvedPart } from '../../model/part.ts';
import type { DeviceShape } from '../solve/circuit.ts';

type Of<K extends CircuitElement['is']> = Extract<CircuitElement, { is: K }>;

/** The elements that stand in the network as devices. The others are copper, capacitors, or motors behind their controllers. */
export type DeviceElement = Of<
  'source' | 'battery' | 'regulator' | 'selector' | 'diode' | 'limiter' | 'sense' | 'load' | 'drive' | 'clamp'
>;

/** A device of the network: an element of an item, or a computer's USB supply at a controller's empty USB port. */
export type Device =
  | { readonly is: 'element'; readonly item: number; readonly element: DeviceElement }
  | { readonly is: 'usb'; readonly item: number; readonly port: Port };

/** A device with the nodes of the graph that it stands between, in the order of its law. */
export interface PlacedDevice {
  readonly device: Device;
  readonly kind: DeviceShape['kind'];
  readonly nodes: readonly number[];
}

/**
 * All devices of an aircraft and of what is joined to it, by item in natural order. Elements that name a node which is not there are
 * left out.
 */
export function devicesOf(graph: Graph): PlacedDevice[] {
  const apart = itemsApart(graph);
  return graph.items.flatMap(({ part }, item) => {
    if (part === undefined || apart.has(item)) return [];
    const placed = part.circuit.flatMap((element): PlacedDevice[] => {
      const at = placeOf(element);
      if (at === undefined) return [];
      const addresses = at.element.is === 'selector' ? [...at.addresses, groundAddress(part)] : at.addresses;
      const nodes = addresses.flatMap((address) => circuitNode(graph, item, address) ?? []);
      return nodes.length === addresses.length ? [{ device: { is: 'element', item, element: at.element }, kind: at.kind, nodes }] : [];
    });
    return [...placed, ...usbOf(graph, item, part)];
  });
}

function placeOf(
  element: CircuitElement,
): { readonly element: DeviceElement; readonly kind: DeviceShape['kind']; readonly addresses: readonly string[] } | undefined {
  switch (element.is) {
    case 'source':
    case 'battery':
      return { element, kind: 'supply', addresses: [element.plus, element.minus] };
    case 'regulator':
    case 'selector':
    case 'diode':
    case 'sense':
    case 'limiter':
      return { element, kind: element.is, addresses: addressesOf(element) };
    case 'load':
    case 'clamp':
      return { element, kind: 'draw', addresses: addressesOf(element) };
    case 'drive':
      return { element, kind: 'draw', addresses: [element.plus, element.minus] };
    case 'link':
    case 'switch':
    case 'motor':
    case 'capacitor':
      return undefined;
  }
}

/** The ground of a part, as a circuit names it: what its voltages are measured against. That of its loads and regulators, else of its pins. */
export function groundAddress(part: ResolvedPart): string {
  for (const element of part.circuit) if (element.is === 'load' || element.is === 'regulator') return element.gnd;
  for (const port of part.ports) {
    const pin = port.pins.find(({ role }) => role === 'gnd');
    if (pin !== undefined) return `${port.id}.${pin.n}`;
  }
  return '@gnd';
}

/** A computer can be plugged into the USB port of a controller that nothing is plugged into. */
function usbOf(graph: Graph, item: number, part: ResolvedPart): PlacedDevice[] {
  const id = graph.items[item]?.item.id;
  if (part.kind !== 'controller' || id === undefined) return [];
  return part.ports.flatMap((port): PlacedDevice[] => {
    const pinOf = (role: 'supply-in' | 'gnd' | 'usb'): number | undefined => port.pins.find((pin) => pin.role === role)?.n;
    const [plus, minus, data] = [pinOf('supply-in'), pinOf('gnd'), pinOf('usb')];
    if (plus === undefined || minus === undefined || data === undefined || isPlugged(graph, item, port.id)) return [];
    const nodes = [plus, minus].flatMap((n) => pinNode(graph, id, port.id, n) ?? []);
    return nodes.length === 2 ? [{ device: { is: 'usb', item, port }, kind: 'supply', nodes }] : [];
  });
}

function isPlugged(graph: Graph, item: number, port: string): boolean {
  const id = graph.items[item]?.item.id;
  return id !== undefined && isPortJoined(graph, id, port);
}
