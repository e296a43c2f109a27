import { isJsonList, isJsonObject, jsonAt, withJsonAt, type Json } from '../../model/json.ts';

/**
 * Changes of a draft's ports that take along what names their pins: elements and endpoints go on meaning the same pin.
 * A draft need not have the shape of a part; what does not is left as it is.
 */

/** The draft with a port under another id. */
export function withPortRenamed(draft: Json, port: number, id: string): Json {
  const was = jsonAt(draft, ['ports', port, 'id']);
  const renamed = withJsonAt(draft, ['ports', port, 'id'], id);
  if (typeof was !== 'string' || was === id) return renamed;
  return readdressed(renamed, (address) => (address.port === was ? `${id}.${address.n}` : undefined));
}

/** The draft with a pin at another position of its port; those between move up or down by one. */
export function withPinMoved(draft: Json, port: number, from: number, to: number): Json {
  const pins = jsonAt(draft, ['ports', port, 'pins']);
  const id = jsonAt(draft, ['ports', port, 'id']);
  if (!isJsonList(pins) || typeof id !== 'string' || to < 0 || to >= pins.length || from === to) return draft;
  const order = pins.map((_, i) => i);
  order.splice(to, 0, ...order.splice(from, 1));
  const moved = order.map((was, i) => withJsonAt(pins[was], ['n'], i + 1));
  const nowAt = new Map(order.map((was, i) => [was + 1, i + 1]));
  const made = withJsonAt(draft, ['ports', port, 'pins'], moved);
  return readdressed(made, (address) => (address.port === id ? `${id}.${nowAt.get(address.n) ?? address.n}` : undefined));
}

/** The draft with one more pin at the end of a port, whose connector grows with it. */
export function withPinAdded(draft: Json, port: number): Json {
  const pins = jsonAt(draft, ['ports', port, 'pins']);
  if (!isJsonList(pins)) return draft;
  const n = pins.length + 1;
  const made = withJsonAt(draft, ['ports', port, 'pins'], [...pins, { n, label: `P${n}`, role: 'nc' }]);
  return withJsonAt(made, ['ports', port, 'connector', 'positions'], n);
}

/** The draft without a pin. Those after it move up; what named it goes on naming a pin that is not there, and is told so. */
export function withPinRemoved(draft: Json, port: number, pin: number): Json {
  const pins = jsonAt(draft, ['ports', port, 'pins']);
  const id = jsonAt(draft, ['ports', port, 'id']);
  if (!isJsonList(pins) || typeof id !== 'string') return draft;
  const left = pins.filter((_, i) => i !== pin).map((each, i) => withJsonAt(each, ['n'], i + 1));
  const made = withJsonAt(withJsonAt(draft, ['ports', port, 'pins'], left), ['ports', port, 'connector', 'positions'], left.length);
  return readdressed(made, (address) => {
    if (address.port !== id) return undefined;
    if (address.n === pin + 1) return `${id}.99`;
    return address.n > pin + 1 ? `${id}.${address.n - 1}` : undefined;
  });
}

/** Members of elements and endpoints that hold words, where `A.1` would not mean a pin. */
const WORDS: ReadonlySet<string> = new Set(['id', 'names', 'label', 'band', 'purpose', 'when', 'exclusive', 'bank']);

function readdressed(draft: Json, change: (address: { readonly port: string; readonly n: number }) => string | undefined): Json {
  const walk = (value: Json): Json => {
    if (typeof value === 'string') {
      const [, port, n] = /^([A-Za-z0-9][A-Za-z0-9-]{0,19})\.(\d{1,2})$/.exec(value) ?? [];
      return port === undefined ? value : (change({ port, n: Number(n) }) ?? value);
    }
    if (isJsonList(value)) return value.map(walk);
    if (!isJsonObject(value)) return value;
    return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, WORDS.has(key) ? inner : walk(inner)]));
  };
  return ['circuit', 'endpoints'].reduce((made, part) => {
    const there = jsonAt(made, [part]);
    return there === undefined ? made : withJsonAt(made, [part], walk(there));
  }, draft);
}
