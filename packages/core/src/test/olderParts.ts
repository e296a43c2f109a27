import { partKeyOf } from '../model/contentHash.ts';
import type { Design } from '../model/design.ts';
import type { PartKey } from '../model/ids.ts';
import type { Part } from '../model/part.ts';
import { settingsOf } from '../model/settingsOf.ts';

/** A part as it was before parts came to state the facts of `partFacts`. */
export function withoutFacts(part: Part): Part {
  const { how: _how, spin: _spin, propeller: _propeller, radios, ...rest } = part;
  return {
    ...rest,
    ...(radios === undefined ? {} : { radios: radios.map(({ diversityOf: _of, heading: _heading, air: _air, ...radio }) => radio) }),
    circuit: part.circuit.map((element) => {
      if (element.is === 'motor') return { ...element, table: element.table.map(({ thrustG: _thrust, ...row }) => row) };
      if (element.is !== 'drive') return element;
      const { idleA: _idle, ...plain } = element;
      return plain;
    }),
    settings: part.settings.map(({ how: _way, ...spec }) => spec),
    endpoints: part.endpoints.map((endpoint) => {
      switch (endpoint.is) {
        case 'rc-out': {
          const { lossSignal: _signal, tells: _tells, ...plain } = endpoint;
          return plain;
        }
        case 'uart': {
          const { clock: _clock, ...plain } = endpoint;
          return plain;
        }
        case 'usb': {
          const { as: _as, serial: _serial, port: _port, ...plain } = endpoint;
          return plain;
        }
        case 'network': {
          const { port: _port, address: _address, ...plain } = endpoint;
          return plain;
        }
        default:
          return endpoint;
      }
    }),
  };
}

/** The same aircraft with every item of an older revision, which states no facts. */
export function ofOlderParts(design: Design): Design {
  const parts = new Map(design.parts);
  const older = new Map<PartKey, PartKey>();
  const items = Object.values(design.aircraft.items).map((item) => {
    const part = design.parts.get(item.part);
    if (part === undefined) throw new Error(`${item.ref} is of an unknown part.`);
    const was = withoutFacts(part);
    const key = older.get(item.part) ?? partKeyOf(was);
    older.set(item.part, key);
    parts.set(key, parts.get(key) ?? was);
    // An older part has no setting for what it does not state.
    const known = new Set(settingsOf(was).map(({ id }) => id));
    const settings = Object.fromEntries(Object.entries(item.settings).filter(([id]) => known.has(id)));
    return { ...item, part: key, settings };
  });
  return { ...design, parts, aircraft: { ...design.aircraft, items: Object.fromEntries(items.map((item) => [item.id, item])) } };
}
