import { isPortJoined } from '../graph/matesAt.ts';
import { type PortAt } from '../graph/cableJoins.ts';
import { groupOf, pinNode, type Graph } from '../graph/graph.ts';
import { driverAt, voltsAt } from '../graph/railsOf.ts';
import { takesSeveralCables } from '../model/connector.ts';
import type { Item } from '../model/aircraft.ts';
import type { ItemId } from '../model/ids.ts';
import type { CircuitElement, Part, Port } from '../model/part.ts';
import { resolvePart, type Settings } from '../model/resolvePart.ts';
import { settingsOf } from '../model/settingsOf.ts';
import { regulators } from '../parts/regulators.ts';

type Regulator = Extract<CircuitElement, { is: 'regulator' }>;

/** What a regulator is wanted for. */
export interface RegulatorWish {
  readonly leastV: number;
  readonly mostV: number;
  /** What comes nearest to this is taken. */
  readonly nominalV: number;
  readonly amps: number;
  /** The highest and the lowest voltage of the pack that it is fed from. */
  readonly packV: { readonly full: number; readonly empty: number };
}

/** A regulator to wire: one that is in the aircraft and hangs on nothing yet, or a part to put in with its settings. */
export interface ChosenRegulator {
  readonly part: Part;
  readonly settings: Settings;
  readonly setV: number;
  readonly there?: Item;
}

/** The regulator for a wish: one that lies in the aircraft unwired before one that has to be bought; undefined where neither does. */
export function regulatorFor(graph: Graph, wish: RegulatorWish): ChosenRegulator | undefined {
  return unwiredRegulator(graph, wish) ?? chooseRegulator(wish);
}

function unwiredRegulator(graph: Graph, wish: RegulatorWish): ChosenRegulator | undefined {
  const fitting = graph.items.flatMap(({ item, part }): ChosenRegulator[] => {
    const raw = graph.design.parts.get(item.part);
    if (part?.kind !== 'regulator' || raw === undefined || item.where !== 'aircraft') return [];
    if (part.ports.some(({ id }) => isPortJoined(graph, item.id, id))) return [];
    const element = part.circuit.find(({ is }) => is === 'regulator');
    return element?.is === 'regulator' && does(element, wish)
      ? [{ part: raw, settings: item.settings, setV: element.setV, there: item }]
      : [];
  });
  return fitting.sort((a, b) => Math.abs(a.setV - wish.nominalV) - Math.abs(b.setV - wish.nominalV))[0];
}

function does({ setV, continuousA, inputMinV, inputMaxV, dropoutV, topology }: Regulator, wish: RegulatorWish): boolean {
  return (
    setV >= wish.leastV &&
    setV <= wish.mostV &&
    continuousA >= wish.amps &&
    inputMaxV >= wish.packV.full &&
    Math.max(inputMinV, setV + dropoutV) <= wish.packV.empty &&
    topology !== 'linear'
  );
}

/** A separate regulator of the samples that does, the lightest, with its settings; undefined where none does. */
export function chooseRegulator(wish: RegulatorWish): ChosenRegulator | undefined {
  const fitting = regulators.flatMap((part) =>
    settingChoices(part).flatMap((settings) => {
      const element = resolvePart(part, settings).circuit.find(({ is }) => is === 'regulator');
      return element?.is === 'regulator' && does(element, wish) ? [{ part, settings, setV: element.setV }] : [];
    }),
  );
  fitting.sort((a, b) => Math.abs(a.setV - wish.nominalV) - Math.abs(b.setV - wish.nominalV) || a.part.massG - b.part.massG);
  return fitting[0];
}

function settingChoices(part: Part): readonly Settings[] {
  const [first] = settingsOf(part);
  return first?.is === 'choice' ? first.choices.map(({ value }) => ({ [first.id]: value })) : [{}];
}

/** Volts of one cell that is nearly empty, under load. */
const EMPTY_CELL_V = 3.3;

/** Where a regulator can be fed from. */
export interface FeedPort {
  readonly at: PortAt;
  readonly packV: RegulatorWish['packV'];
  readonly pack: ItemId;
}

/**
 * The ports at which a regulator can take the voltage of a pack, the best first: behind the current sensor, on a distribution, in
 * natural order. Free ones, and pads, which take several wires.
 */
export function feedPorts(graph: Graph): readonly FeedPort[] {
  const found = graph.items.flatMap(({ item, part }, ix) => {
    if (part === undefined || item.where !== 'aircraft' || part.kind === 'motor-controller') return [];
    return part.ports.flatMap((port) => {
      const feed = packAt(graph, item.id, port);
      if (feed === undefined || !isOpen(graph, item.id, port)) return [];
      const rank = (feed.isCounted ? 0 : 2) + (part.kind === 'distribution' ? 0 : 1) + (part.kind === 'battery' ? 4 : 0);
      return [{ rank, at: { item: ix, itemId: item.id, ref: item.ref, port }, packV: feed.packV, pack: feed.pack }];
    });
  });
  return found.sort((a, b) => a.rank - b.rank);
}

/** True for a port that another cable can go to. */
export function isOpen(graph: Graph, item: ItemId, port: Port): boolean {
  return takesSeveralCables(port.connector) || !isPortJoined(graph, item, port.id);
}

function packAt(graph: Graph, item: ItemId, port: Port): (Pick<FeedPort, 'packV' | 'pack'> & { readonly isCounted: boolean }) | undefined {
  const supply = port.pins.find(({ role }) => role === 'supply-out' || role === 'supply-through');
  const node = supply === undefined ? undefined : pinNode(graph, item, port.id, supply.n);
  if (node === undefined || !port.pins.some(({ role }) => role === 'gnd')) return undefined;
  const driver = driverAt(graph, node);
  const pack = graph.items[driver?.item ?? -1]?.item.id;
  if (driver?.element.is !== 'battery' || pack === undefined) return undefined;
  const full = voltsAt(graph, node) ?? driver.volts;
  return {
    pack,
    // Of packs in series the uppermost is found: the others are as empty as it is.
    packV: { full, empty: (driver.element.cells * EMPTY_CELL_V * full) / driver.volts },
    isCounted: groupOf(graph.nets, node) !== groupOf(graph.nets, driver.node),
  };
}
