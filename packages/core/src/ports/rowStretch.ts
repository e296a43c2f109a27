import { occupantAt } from '../edits/occupancy.ts';
import { stretchOf, type PortAt } from '../graph/cableJoins.ts';
import type { Graph } from '../graph/graph.ts';
import { portPlace } from '../model/aircraft.ts';
import { isPinRow } from '../model/connector.ts';
import { endpointPins } from '../model/endpointPins.ts';
import type { Endpoint, PinRole } from '../model/part.ts';

/**
 * Where a plug for some endpoints goes in a port. Of a row of pins that has more: their own pins, with the supply and the ground beside
 * them as far as nothing is over those; any other port is taken as it is.
 * @returns undefined where their pins in a row are taken, or are not side by side
 */
export function rowStretch(graph: Graph, at: PortAt, endpoints: readonly Endpoint[]): PortAt | undefined {
  return stretchOver(
    at,
    endpoints,
    (n) => occupantAt(graph.design, portPlace(at.itemId, at.port.id, n - 1), { positions: 1 }) === undefined,
  );
}

/** True where the plug of something else is over pins of a row, or over their ground, and leaves no room for one of their own. */
export function isGroundTaken(graph: Graph, at: PortAt, endpoints: readonly Endpoint[]): boolean {
  const hasGround = (plug: PortAt | undefined): boolean => plug?.port.pins.some(({ role }) => role === 'gnd') === true;
  return hasGround(stretchOver(at, endpoints, () => true)) && !hasGround(rowStretch(graph, at, endpoints));
}

function stretchOver(at: PortAt, endpoints: readonly Endpoint[], isFree: (n: number) => boolean): PortAt | undefined {
  if (!isPinRow(at.port.connector)) return at;
  const own = endpoints.flatMap(endpointPins).map((pin) => Number(pin.slice(pin.lastIndexOf('.') + 1)));
  const roleAt = (n: number): PinRole | undefined => at.port.pins.find((pin) => pin.n === n)?.role;
  const isRail = (n: number): boolean => RAILS.some((rail) => rail.includes(roleAt(n) ?? 'nc'));
  let [first, last] = [Math.min(...own), Math.max(...own)];
  for (let n = first; n <= last; n++) if (!isFree(n) || (!own.includes(n) && !isRail(n))) return undefined;
  const hasAll = (): boolean => RAILS.every((rail) => at.port.pins.some(({ n, role }) => n >= first && n <= last && rail.includes(role)));
  while (!hasAll() && isRail(last + 1) && isFree(last + 1)) last++;
  while (!hasAll() && isRail(first - 1) && isFree(first - 1)) first--;
  return first === 1 && last === at.port.connector.positions ? at : stretchOf(at, first - 1, last - first + 1, false);
}

/** What a plug wants beside its signals: a ground, and a supply. */
const RAILS: readonly (readonly PinRole[])[] = [['gnd'], ['supply-out', 'supply-through', 'supply-in']];
