import { addressesOf } from './numbering.ts';
import { endpointPins } from '../model/endpointPins.ts';
import type { Part } from '../model/part.ts';
import { settingsOf } from '../model/settingsOf.ts';
import { resolvePart } from '../model/resolvePart.ts';

/** A part without what names something of it that is not there, and the names of what was taken out. */
export interface WithoutOrphans {
  readonly part: Part;
  /** As people read them: `circuit element "load"`. */
  readonly removed: readonly string[];
}

/**
 * Takes out the orphans of a part, as they stay behind when a port or an endpoint is taken out: circuit elements and endpoints on pins
 * that are gone, routes and banks through endpoints that are gone, words about settings that are gone.
 */
export function withoutOrphans(part: Part): WithoutOrphans {
  const pins = new Set(part.ports.flatMap(({ id, pins: own }) => own.map(({ n }) => `${id}.${n}`)));
  const ports = new Set(part.ports.map(({ id }) => id));
  const resolved = resolvePart(part, {});
  const removed: string[] = [];
  const kept = <T>(list: readonly T[], holds: (one: T) => boolean, name: (one: T) => string): T[] =>
    list.filter((one) => {
      if (holds(one)) return true;
      removed.push(name(one));
      return false;
    });
  const addresses = new Map(resolved.circuit.map((element) => [element.id, addressesOf(element)]));
  const circuit = kept(
    part.circuit,
    ({ id }) => (addresses.get(id) ?? []).every((address) => address.startsWith('@') || pins.has(address)),
    ({ id }) => `circuit element "${id}"`,
  );
  const endpoints = kept(
    part.endpoints,
    (endpoint) =>
      endpointPins(endpoint).every((pin) => pins.has(pin)) &&
      ((endpoint.is !== 'usb' && endpoint.is !== 'network') || endpoint.port === undefined || ports.has(endpoint.port)),
    ({ id }) => `endpoint "${id}"`,
  );
  const known = new Set([...endpoints.map(({ id }) => id), ...(part.radios ?? []).map(({ id }) => id)]);
  const routes = kept(
    part.routes,
    ({ from, to }) => known.has(from) && known.has(to),
    ({ from, to }) => `route from "${from}" to "${to}"`,
  );
  const slimmer: Part = { ...part, circuit, endpoints, routes, ...boardOf(part, known, removed) };
  const settings = new Set(settingsOf(slimmer).map(({ id }) => id));
  const how = kept(
    part.how ?? [],
    ({ settings: own }) => own.every((id) => settings.has(id)),
    ({ settings: own }) => `the steps to set ${own.map((id) => `"${id}"`).join(', ')}`,
  );
  const { how: _how, ...rest } = slimmer;
  return { part: how.length === 0 ? rest : { ...rest, how }, removed };
}

/** The banks without outputs that are gone. */
function boardOf({ board }: Part, known: ReadonlySet<string>, removed: string[]): Pick<Part, 'board'> {
  if (board === undefined) return {};
  const banks = board.banks.flatMap((bank) => {
    const outputs = bank.outputs.filter((id) => known.has(id));
    if (outputs.length < bank.outputs.length) removed.push(`outputs of bank "${bank.id}"`);
    return outputs.length === 0 ? [] : [{ ...bank, outputs }];
  });
  return { board: { ...board, banks } };
}
