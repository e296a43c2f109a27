import type { Graph } from '../graph/graph.ts';
import { placedItems, type PlacedItem } from '../layout/placedItems.ts';
import { turned, turningOf } from '../layout/turning.ts';
import type { Spot } from '../model/frame.ts';
import { ANTENNA_FITTED, ANTENNA_SETTING } from '../model/antennaSetting.ts';
import type { Item } from '../model/aircraft.ts';
import { isAntennaAxis, isAntennaKind, type AntennaAxis, type AntennaKind, type RadioTraits } from '../model/radio.ts';

/** A radio of an item with its antenna as a person has set it up. */
export interface RadioAt {
  readonly item: Item;
  readonly radio: RadioTraits;
  /** `RADIO1`, or `GNSS1 second antenna` where a part has several. */
  readonly name: string;
  readonly antenna: AntennaKind;
  readonly groundAntenna: AntennaKind;
  readonly axis: AntennaAxis;
  /** From the middle of the item, in the aircraft's axes. */
  readonly offMm: Spot;
}

/** A radio whose antenna has a place in the aircraft. */
export interface PlacedAntenna extends RadioAt {
  readonly placed: PlacedItem;
  readonly at: Spot;
}

/** The radios of every item that flies, in natural order. */
export function radiosOf(graph: Graph): readonly RadioAt[] {
  return graph.items.flatMap(({ item, part }) => {
    const radios = item.where === 'aircraft' ? (part?.radios ?? []) : [];
    return radios.map((radio) => radioAt(item, radio, radios.length > 1));
  });
}

function radioAt(item: Item, radio: RadioTraits, isOneOfSeveral: boolean): RadioAt {
  const set = (name: string): unknown => item.settings[`${radio.id}.${name}`];
  const mm = (name: string): number => {
    const value = set(name);
    return typeof value === 'number' ? value : 0;
  };
  const [antenna, ground, axis] = [set('antenna'), set('ground'), set('axis')];
  return {
    item,
    radio,
    name: isOneOfSeveral ? `${item.ref} ${radio.title}` : item.ref,
    antenna: isAntennaKind(antenna) ? antenna : radio.antenna,
    groundAntenna: isAntennaKind(ground) ? ground : (radio.groundAntenna ?? 'dipole'),
    axis: isAntennaAxis(axis) ? axis : 'up',
    offMm: [mm('station'), mm('butt'), mm('water')],
  };
}

/** The radio that an antenna belongs to: several antennas of one radio share it, and the radio goes on with the better of them. */
export function radioKey({ item, radio }: Pick<RadioAt, 'item' | 'radio'>): string {
  return `${item.id} ${radio.diversityOf ?? radio.id}`;
}

/** True when a person says that the antenna is on. */
export function hasAntenna({ item }: RadioAt): boolean {
  return (item.settings[ANTENNA_SETTING] ?? ANTENNA_FITTED) === ANTENNA_FITTED;
}

const cache = new WeakMap<Graph, readonly PlacedAntenna[]>();

/** Every antenna that has a place: where its part puts it, as the part is turned, and what a person added to that. */
export function placedAntennas(graph: Graph): readonly PlacedAntenna[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const byItem = new Map(placedItems(graph).map((entry) => [entry.item.id, entry] as const));
  const antennas = radiosOf(graph).flatMap((radio): PlacedAntenna[] => {
    const placed = byItem.get(radio.item.id);
    if (placed === undefined) return [];
    const own = turned(radio.radio.atMm, turningOf(placed.place));
    const { at } = placed.place;
    const spot: Spot = [at[0] + own[0] + radio.offMm[0], at[1] + own[1] + radio.offMm[1], at[2] + own[2] + radio.offMm[2]];
    return [{ ...radio, placed, at: spot }];
  });
  cache.set(graph, antennas);
  return antennas;
}

/** Where the axis of an antenna points: aft, right, up. */
export const AXIS_DIRECTIONS: Readonly<Record<AntennaAxis, Spot>> = { up: [0, 0, 1], along: [1, 0, 0], across: [0, 1, 0] };
