import type { Design } from '../model/design.ts';
import type { ItemId, PartKey } from '../model/ids.ts';
import { functionEnds } from '../model/functionEnds.ts';
import type { Part, PartPort } from '../model/part.ts';
import { settingsOf } from '../model/settingsOf.ts';
import type { AdoptRevision } from './adoptPlan.ts';
import type { RevisionMap } from './revisionMap.ts';
import { exchangeMapOf } from './exchangeMap.ts';
import { mapPort, matchBy } from './mapPort.ts';

/**
 * The edit that makes an item one of `part`, with the mapping that the names suggest: a port by its id, else by its label, else
 * as the only one of its kind; a pin by label and role, else by role in order; settings and outputs by id. For quite another part it
 * goes by what hangs on the ports. Undefined when the item or a part is not known.
 */
export function proposeAdoption(design: Design, item: ItemId, part: PartKey): AdoptRevision | undefined {
  const was = design.aircraft.items[item]?.part;
  const from = was === undefined ? undefined : design.parts.get(was);
  const to = design.parts.get(part);
  if (was === undefined || from === undefined || to === undefined) return undefined;
  return {
    kind: 'adopt-part-revision',
    item,
    part,
    was,
    map: from.id === to.id ? revisionMapOf(from, to) : exchangeMapOf(design, item, from, to),
  };
}

/** The mapping from one part to another that the names suggest. Total: every port, pin, setting and output of `from` is named. */
export function revisionMapOf(from: Part, to: Part): RevisionMap {
  const ports = matchPorts(from.ports, to.ports);
  const settings = new Set(settingsOf(to).map(({ id }) => id));
  const outputs = new Set(functionEnds(to));
  return {
    ports: from.ports.map((port) => mapPort(port, ports.get(port))),
    settings: settingsOf(from).map(({ id }) => ({ from: id, to: settings.has(id) ? id : null })),
    outputs: functionEnds(from).map((id) => ({ from: id, to: outputs.has(id) ? id : null })),
  };
}

function matchPorts(from: readonly PartPort[], to: readonly PartPort[]): Map<PartPort, PartPort> {
  const roles = (port: PartPort): string =>
    port.pins
      .map(({ role }) => role)
      .sort()
      .join(' ');
  return matchBy(from, to, [
    (a, b) => a.id === b.id,
    (a, b) => a.label === b.label && a.connector.family === b.connector.family,
    (a, b) => a.connector.family === b.connector.family && roles(a) === roles(b),
  ]);
}
