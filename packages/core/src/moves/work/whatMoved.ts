import { pinNode, type Graph, type GraphItem } from '../../graph/graph.ts';
import { driverAt, voltsAt } from '../../graph/railsOf.ts';
import { signalTitle } from '../../links/chains/hop.ts';
import type { ItemId } from '../../model/ids.ts';
import { OUTPUT_FUNCTIONS } from '../../model/outputFunctions.ts';
import { boardPortsOf } from '../../ports/boardPorts.ts';
import type { BoardSwap } from '../swap/boardSwap.ts';
import { linkSeekers } from '../../ports/linkSeekers.ts';
import { listed } from '../../text/lists.ts';
import { quantity } from '../../text/numbers.ts';

/** Something that was in one place and is in another. */
export interface Moved {
  readonly what: string;
  /** Undefined for what was nowhere. */
  readonly was: string | undefined;
  /** Undefined for what is lost. */
  readonly now: string | undefined;
  /** Why it is lost, where that is known. */
  readonly why?: string;
}

/** Every link that was on a port or is on one, in the order of the plan: also those that stay on a port of the same name. */
export function linksMoved(before: Graph, after: Graph, { plan, undone }: BoardSwap): readonly Moved[] {
  const [was, now] = [linkHomes(before), linkHomes(after)];
  return plan.links.flatMap(({ seeker, fit }): Moved[] => {
    const [key = ''] = seeker.keys;
    const failed = undone.find(({ link }) => link.seeker.keys[0] === key);
    const moved = { what: seeker.title, was: was.get(key), now: now.get(key) };
    if (moved.was === undefined && moved.now === undefined) return [];
    if (moved.now !== undefined) return [moved];
    return [{ ...moved, why: failed?.why ?? (fit === undefined ? 'no port is left that suits it' : 'its cable does not go there') }];
  });
}

/** Where links arrive, as people name it, by the keys of the links. */
export function linkHomes(graph: Graph): ReadonlyMap<string, string> {
  const seekers = linkSeekers(graph);
  const ports = boardPortsOf(graph, seekers);
  return new Map(
    seekers.flatMap(({ keys, now }) => {
      const home = ports.find(({ item, endpoints }) => item === now?.item && endpoints.some(({ id }) => id === now.endpoint));
      return home === undefined ? [] : keys.map((key) => [key, home.title] as const);
    }),
  );
}

/** Every function that the controller has or had on an output, in the order of the old outputs. */
export function outputsMoved(before: Graph, after: Graph, item: ItemId): readonly Moved[] {
  const [had, has] = [usesOf(before, item), usesOf(after, item)];
  const rest = [...has];
  return had.map(({ what, at }) => {
    const ix = rest.findIndex((use) => use.what === what);
    const [now] = ix < 0 ? [] : rest.splice(ix, 1);
    return { what, was: at, now: now?.at, ...(now === undefined ? { why: 'no output is left for it' } : {}) };
  });
}

function usesOf(graph: Graph, item: ItemId): readonly { readonly what: string; readonly at: string }[] {
  const entry = graph.items[graph.itemIx.get(item) ?? -1];
  const { part } = entry ?? {};
  const uses = Object.values(graph.design.aircraft.outputs).filter((use) => use.item === item);
  return (part?.endpoints ?? []).flatMap(({ id, is }) => {
    const use = is === 'pulse-out' ? uses.find(({ output }) => output === id) : undefined;
    if (part === undefined || use === undefined) return [];
    return [{ what: OUTPUT_FUNCTIONS[use.function].title, at: `${entry?.item.ref ?? ''} ${signalTitle(part, id)}` }];
  });
}

/** Volts that differ by less are the same. */
const SAME_V = 0.05;

/** What feeds the controller now and then, and every other item that sees another supply than before. */
export function suppliesMoved(before: Graph, after: Graph, board: ItemId): readonly Moved[] {
  return after.items.flatMap((entry): Moved[] => {
    const old = before.items[before.itemIx.get(entry.item.id) ?? -1];
    if (old === undefined) return [];
    const [was, now] = [feedsOf(before, old), feedsOf(after, entry)];
    if (entry.item.id === board) return [{ what: entry.item.ref, was: wordsOf(was), now: wordsOf(now) }];
    const isSame =
      was.length === now.length &&
      was.every(({ port, volts }) => now.some((feed) => feed.port === port && Math.abs(feed.volts - volts) < SAME_V));
    return isSame ? [] : [{ what: entry.item.ref, was: wordsOf(was), now: wordsOf(now) }];
  });
}

interface Feed {
  readonly port: string;
  readonly volts: number;
  readonly from: string;
}

/** The ports at which an item is fed, without load, each once. */
function feedsOf(graph: Graph, { item, part }: GraphItem): readonly Feed[] {
  return (part?.ports ?? []).flatMap((port) =>
    port.pins
      .flatMap(({ n, role }) => {
        const node = role === 'supply-in' || role === 'supply-through' ? pinNode(graph, item.id, port.id, n) : undefined;
        const [volts, driver] = node === undefined ? [] : [voltsAt(graph, node), driverAt(graph, node)];
        const source = graph.items[driver?.item ?? -1];
        // What it makes by itself does not feed it.
        return volts === undefined || source === undefined || source.item.id === item.id
          ? []
          : [{ port: port.label, volts, from: source.item.ref }];
      })
      .slice(0, 1),
  );
}

function wordsOf(feeds: readonly Feed[]): string | undefined {
  const words = [...new Set(feeds.map(({ volts, from }) => `${quantity(volts, 'V')} from ${from}`))];
  return words.length === 0 ? undefined : listed(words);
}
