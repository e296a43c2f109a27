import { plainCable, wholePort } from '../../../graph/cableJoins.ts';
import { groupOf, pinNode, type Graph } from '../../../graph/graph.ts';
import { driverAt } from '../../../graph/railsOf.ts';
import { isOpen } from '../../../harness/feeders.ts';
import { powerNetwork } from '../../../power/network/powerNetwork.ts';
import type { Port } from '../../../model/part.ts';
import type { Remedy } from '../../finding.ts';

/** Moves the feed of a device from before the current sensor to behind it: to a port with the same pins on the same pack. */
export function tapRemedies(graph: Graph, devices: readonly number[]): readonly Remedy[] {
  const network = powerNetwork(graph);
  for (const device of devices) {
    const item = network.devices[device]?.device.item ?? -1;
    for (const cable of graph.cablesAtItem[item] ?? []) {
      const remedy = moveTap(graph, item, cable);
      if (remedy !== undefined) return [remedy];
    }
  }
  return [];
}

function moveTap(graph: Graph, item: number, cableIx: number): Remedy | undefined {
  const cable = graph.cables[cableIx];
  const plain = cable === undefined ? undefined : plainCable(graph, cable);
  if (cable === undefined || plain === undefined) return undefined;
  const [far, farEnd] = plain.a.item === item ? [plain.b, plain.endB] : [plain.a, plain.endA];
  const own = wholePort(graph, far).port;
  const before = supplyOf(graph, far.itemId, own);
  if (before === undefined || before.isCounted) return undefined;
  const part = graph.items[far.item]?.part;
  const better = part?.ports.find((port) => {
    const after = supplyOf(graph, far.itemId, port);
    return after?.isCounted === true && after.pack === before.pack && isOpen(graph, far.itemId, port) && hasSamePins(port, own);
  });
  if (better === undefined || farEnd.at.is !== 'port') return undefined;
  return {
    label: 'Move it behind the sensor',
    sentence: `Move ${cable.tag} from ${far.ref} ${far.port.label} to ${far.ref} ${better.label}, behind the current sensor.`,
    edit: { kind: 'set-cable-end', cable: cable.id, node: farEnd.id, at: { ...farEnd.at, port: better.id }, was: farEnd.at },
  };
}

function supplyOf(
  graph: Graph,
  item: Parameters<typeof pinNode>[1],
  port: Port,
): { readonly pack: number; readonly isCounted: boolean } | undefined {
  const pin = port.pins.find(({ role }) => role === 'supply-out' || role === 'supply-in' || role === 'supply-through');
  const node = pin === undefined ? undefined : pinNode(graph, item, port.id, pin.n);
  const driver = node === undefined ? undefined : driverAt(graph, node);
  if (node === undefined || driver?.element.is !== 'battery') return undefined;
  return { pack: driver.item, isCounted: groupOf(graph.nets, node) !== groupOf(graph.nets, driver.node) };
}

function hasSamePins(a: Port, b: Port): boolean {
  const kinds = (port: Port): string => port.pins.map(({ role }) => (role === 'gnd' ? 'gnd' : 'supply')).join(' ');
  return a.connector.family === b.connector.family && a.pins.length === b.pins.length && kinds(a) === kinds(b);
}
