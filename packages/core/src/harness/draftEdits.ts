import { applyEdit } from '../edits/applyEdit.ts';
import { withFreshIds } from '../edits/freshIds.ts';
import { nextReference } from '../edits/references.ts';
import { EditSchema, type Edit, type SimpleEdit } from '../edits/registry.ts';
import { portIn, type PortAt } from '../graph/cableJoins.ts';
import type { Graph } from '../graph/graph.ts';
import { graphOf } from '../graph/graphOf.ts';
import { LIMITS } from '../model/limits.ts';
import { partKeyOf } from '../model/contentHash.ts';
import type { Design } from '../model/design.ts';
import type { Cable, CableNode } from '../model/aircraft.ts';
import { asId, type CableId, type ConductorId, type ItemId, type LegId, type NodeId } from '../model/ids.ts';
import type { Part } from '../model/part.ts';
import type { Settings } from '../model/resolvePart.ts';
import { hasShape } from '../model/shape.ts';
import type { PinMapPreset } from './fitPinMap.ts';
import { proposeCable } from './proposeCable.ts';
import { withGauge } from './withGauge.ts';

/** How many drafts were begun: each has ids that no other has, since a draft may be planned on what another one has made so far. */
let drafts = 0;

/**
 * A change of several edits that build on one another, tried out on a design of its own: items that are added can be wired at
 * once. What it gives is one edit with placeholders for the ids, as remedies have.
 */
export class DraftEdits {
  readonly #edits: SimpleEdit[] = [];
  #design: Design;
  /** What its ids begin with while it is made; its edit has placeholders in their place. */
  readonly #name = `draft${++drafts}`;
  #ids = 0;

  /**
   * @param only the items that the draft is about: it is then made on an aircraft of these alone, which is much quicker. For what
   * depends on voltages that come from elsewhere, leave it out.
   */
  constructor(design: Design, only?: readonly ItemId[]) {
    this.#design = only === undefined ? design : reduced(design, only);
  }

  /** The aircraft with the draft's edits made. */
  get graph(): Graph {
    return graphOf(this.#design);
  }

  /** True where lengths follow from the airframe. */
  get isLaidOut(): boolean {
    return this.#design.aircraft.airframe.frame !== undefined;
  }

  /** True as long as no edit was made. */
  get isEmpty(): boolean {
    return this.#edits.length === 0;
  }

  /** An id for a new thing, to name it in several edits of the draft. */
  newId<T extends NodeId | LegId | ConductorId>(): T {
    return asId<T>(`${this.#name}-${++this.#ids}`);
  }

  /** A cable as the draft has it by now. */
  cable(id: CableId): Cable | undefined {
    return this.#design.aircraft.cables[id];
  }

  /** Makes an edit whose new ids are placeholders of its own. @returns false when it is refused, and then nothing happens */
  make(edit: SimpleEdit): boolean {
    const own = withFreshIds(edit, () => `${this.#name}-${++this.#ids}`);
    if (own.kind === 'batch' || own.kind === 'undo' || this.#edits.length === LIMITS.editsPerBatch) return false;
    const result = applyEdit(this.#design, own);
    if ('refused' in result) return false;
    this.#edits.push(own);
    this.#design = result.design;
    return true;
  }

  /** Makes an edit with placeholders, all of a batch or none of it. @returns false when it is refused, and then nothing happens */
  take(edit: Edit | undefined): boolean {
    if (edit === undefined || edit.kind === 'undo') return false;
    const own = withFreshIds(edit, () => `${this.#name}-${++this.#ids}`);
    const edits = own.kind === 'batch' ? own.edits : own.kind === 'undo' ? [] : [own];
    const result = applyEdit(this.#design, own);
    if ('refused' in result || this.#edits.length + edits.length > LIMITS.editsPerBatch) return false;
    this.#edits.push(...edits);
    this.#design = result.design;
    return true;
  }

  /** What the aircraft would be with one more edit, which is not made; undefined where it is refused. */
  after(edit: Edit): Graph | undefined {
    const result = applyEdit(
      this.#design,
      withFreshIds(edit, () => `${this.#name}-${++this.#ids}`),
    );
    return 'refused' in result ? undefined : graphOf(result.design);
  }

  /** Puts a part in. @returns the id of the item while the draft is made, or undefined when it is refused */
  add(part: Part, label: string, settings: Settings = {}): ItemId | undefined {
    const ref = nextReference(this.#design.aircraft, part.kind);
    const item = { id: asId<ItemId>('?1'), ref, part: partKeyOf(part), where: 'aircraft' as const, label, settings };
    if (!this.make({ kind: 'add-item', item })) return undefined;
    return Object.values(this.#design.aircraft.items).find((candidate) => candidate.ref === ref)?.id;
  }

  /** A port of an item, to wire it. */
  port(item: ItemId, portId: string): PortAt | undefined {
    return portIn(this.graph, this.graph.itemIx.get(item) ?? -1, portId);
  }

  /** Wires two ports. @param awg of every wire, where it should be another than the contacts suggest */
  wire(a: PortAt | undefined, b: PortAt | undefined, preset: PinMapPreset = 'meaning', awg?: number): boolean {
    if (a === undefined || b === undefined) return false;
    const { edit } = proposeCable(this.graph, a, b, preset);
    return this.make(awg === undefined ? edit : withGauge(edit, awg));
  }

  /** All of it as one edit, with placeholders. */
  edit(title: string): Edit {
    const edit = renamed({ kind: 'batch', title, edits: this.#edits }, new RegExp(`^${this.#name}-(\\d{1,3})$`), '?$1');
    if (!isEditWithPlaceholders(edit)) throw new Error('A draft does not have the shape of an edit.');
    return edit;
  }
}

/** An aircraft with only some of its items, and the cables that are at them and at nothing else. */
function reduced({ aircraft, ...library }: Design, only: readonly ItemId[]): Design {
  const isKept = (node: CableNode): boolean => node.is !== 'end' || (node.at.is === 'port' && only.includes(node.at.item));
  return {
    ...library,
    aircraft: {
      ...aircraft,
      items: Object.fromEntries(Object.entries(aircraft.items).filter(([, { id }]) => only.includes(id))),
      cables: Object.fromEntries(Object.entries(aircraft.cables).filter(([, { nodes }]) => Object.values(nodes).every(isKept))),
      mates: Object.fromEntries(Object.entries(aircraft.mates).filter(([, { a, b }]) => only.includes(a.item) && only.includes(b.item))),
      bonds: {},
      links: {},
      wishes: {},
      outputs: {},
      waivers: {},
    },
  };
}

/** True for what is an edit once its placeholders are ids. */
function isEditWithPlaceholders(value: unknown): value is Edit {
  return hasShape(EditSchema, renamed(value, /^\?(\d{1,3})$/, 'draft-$1'));
}

function renamed(value: unknown, from: RegExp, to: string): unknown {
  if (typeof value === 'string') return value.replace(from, to);
  if (Array.isArray(value)) return value.map((member) => renamed(member, from, to));
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, member]) => [key.replace(from, to), renamed(member, from, to)]));
}
