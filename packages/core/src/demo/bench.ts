import { applyEdit } from '../edits/applyEdit.ts';
import { withFreshIds } from '../edits/freshIds.ts';
import { nextReference } from '../edits/references.ts';
import type { Edit } from '../edits/registry.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { PortAt } from '../graph/cableJoins.ts';
import type { PinMapPreset } from '../harness/fitPinMap.ts';
import { proposeCable } from '../harness/proposeCable.ts';
import { partKeyOf } from '../model/contentHash.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId, type ItemId, type MakeId } from '../model/ids.ts';
import { newAircraft } from '../model/newAircraft.ts';
import type { Settings } from '../model/resolvePart.ts';
import { catalogue, sampleParts } from '../parts/catalogue.ts';

/** Builds an aircraft the way a person does: only through edits. A refused edit is a mistake in the demo and throws. */
export class Bench {
  #design: Design;
  readonly #byRef = new Map<string, ItemId>();
  constructor(
    id: AircraftId,
    name: string,
    private readonly makeId: MakeId,
  ) {
    this.#design = { aircraft: newAircraft(id, name), parts: catalogue };
  }

  /** The aircraft as it stands. */
  get design(): Design {
    return this.#design;
  }

  /** Makes an edit. */
  make(edit: Edit): void {
    const result = applyEdit(this.#design, withFreshIds(edit, this.makeId));
    if ('refused' in result) throw new Error(result.refused.sentence);
    this.#design = result.design;
  }

  /** Puts a sample part in, under the next reference of its kind. */
  add(partId: string, label: string, settings: Settings = {}): void {
    const part = sampleParts.find((candidate) => candidate.id === partId);
    if (part === undefined) throw new Error(`There is no sample part ${partId}.`);
    const id = asId<ItemId>(this.makeId());
    const ref = nextReference(this.#design.aircraft, part.kind);
    this.#byRef.set(ref, id);
    this.make({ kind: 'add-item', item: { id, ref, part: partKeyOf(part), where: 'aircraft', label, settings } });
  }

  /** Wires two ports, each named as `GNSS1 UART`. */
  wire(from: string, to: string, preset: PinMapPreset = 'meaning', lengthMm?: number): void {
    const { edit } = proposeCable(graphOf(this.#design), this.#port(from), this.#port(to), preset);
    if (edit.kind !== 'add-cable') throw new Error('A proposal that is not a cable.');
    const { cable } = edit;
    const [leg] = Object.values(cable.legs);
    const isTyped = lengthMm !== undefined && leg !== undefined;
    this.make(isTyped ? { ...edit, cable: { ...cable, legs: { [leg.id]: { ...leg, typedLengthMm: lengthMm } } } } : edit);
  }

  /** The id of an item by its reference. */
  itemId(ref: string): ItemId {
    const id = this.#byRef.get(ref);
    if (id === undefined) throw new Error(`There is no ${ref}.`);
    return id;
  }

  #port(place: string): PortAt {
    const [ref = '', portId = ''] = place.split(' ');
    const graph = graphOf(this.#design);
    const itemId = this.#byRef.get(ref);
    const item = itemId === undefined ? undefined : graph.itemIx.get(itemId);
    const port = graph.items[item ?? -1]?.part?.ports.find((candidate) => candidate.id === portId);
    if (itemId === undefined || item === undefined || port === undefined) throw new Error(`There is no ${place}.`);
    return { item, itemId, ref, port };
  }
}
