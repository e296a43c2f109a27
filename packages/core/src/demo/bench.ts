import { applyEdit } from '../edits/applyEdit.ts';
import { withFreshIds } from '../edits/freshIds.ts';
import { nextReference } from '../edits/references.ts';
import type { Edit } from '../edits/registry.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { PortAt } from '../graph/cableJoins.ts';
import type { PinMapPreset } from '../harness/fitPinMap.ts';
import { proposeCable } from '../harness/proposeCable.ts';
import type { RadioPlace } from '../model/bond.ts';
import type { Socket } from '../model/socket.ts';
import { partKeyOf } from '../model/contentHash.ts';
import type { Design } from '../model/design.ts';
import type { Cable, Item, PlannedBattery, WireColour } from '../model/aircraft.ts';
import { legWays } from '../layout/ways.ts';
import { usualFrame } from '../layout/usualFrame.ts';
import { proposeMate } from '../harness/proposeMate.ts';
import { mateOf } from '../model/connector.ts';
import type { BayId, FrameNumber, Place, Spot } from '../model/frame.ts';
import type { LinkKindId, StreamId } from '../model/linkIds.ts';
import { linkKey } from '../model/linkWords.ts';
import type { Linkage } from '../model/linkage.ts';
import { needIds, type NeedId } from '../model/needs.ts';
import { byNatural } from '../model/naturalOrder.ts';
import type { BankUse } from '../model/outputPlan.ts';
import type { OutputFunction } from '../model/outputFunctions.ts';
import {
  asId,
  type AircraftId,
  type BondId,
  type ConductorId,
  type ItemId,
  type LegId,
  type MakeId,
  type NodeId,
  type SocketId,
} from '../model/ids.ts';
import { shipped } from '../edits/library.ts';
import { newAircraft } from '../edits/newAircraft.ts';
import type { SettingValue } from '../model/setting.ts';
import type { Settings } from '../model/resolvePart.ts';
import { sampleParts } from '../parts/catalogue.ts';

/** Items with their middles, their bays and the way they are turned. */
export type Spots = readonly (readonly [ref: string, at: Spot, bay?: string, yaw?: 0 | 90 | 180 | 270])[];

/** Builds an aircraft the way a person does: only through edits. A refused edit is a mistake in the demo and throws. */
export class Bench {
  #design: Design;
  readonly #byRef = new Map<string, ItemId>();
  constructor(
    id: AircraftId,
    name: string,
    private readonly makeId: MakeId,
  ) {
    this.#design = { aircraft: newAircraft(id, name), ...shipped };
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

  /** Bonds two radios: of an item its first, or the one named, `RX1 rc`. */
  bond(a: string, b: string): void {
    this.make({ kind: 'add-bond', bond: { id: asId<BondId>('?1'), a: this.#radioOf(a), b: this.#radioOf(b) } });
  }

  #radioOf(name: string): RadioPlace {
    const [ref = '', radio] = name.split(' ');
    const item = this.#design.aircraft.items[this.itemId(ref)];
    if (item === undefined) throw new Error(`There is no ${ref}.`);
    const radios = this.#design.parts.get(item.part)?.radios ?? [];
    const found = radio === undefined ? radios[0] : radios.find(({ id }) => id === radio);
    if (found === undefined) throw new Error(`There is no radio ${name}.`);
    return { item: item.id, radio: found.id };
  }

  /** Sets something on an item. */
  setting(ref: string, setting: string, value: SettingValue): void {
    const item = this.itemId(ref);
    this.make({ kind: 'set-item-setting', item, setting, value, was: this.#design.aircraft.items[item]?.settings[setting] ?? null });
  }

  /** Says how often a link carries a message. */
  stream(kind: LinkKindId, ref: string, stream: StreamId, hz: number): void {
    this.make({ kind: 'set-stream', link: linkKey(kind, this.itemId(ref)), stream, hz, was: null });
  }

  /** Says how a servo moves its surface. */
  link(ref: string, figures: Omit<Linkage, 'item'>): void {
    const item = this.itemId(ref);
    this.make({ kind: 'set-linkage', item, value: { item, ...figures }, was: null });
  }

  /** Gives an item a socket. */
  socket(ref: string, socket: Socket): void {
    this.make({ kind: 'set-socket', item: this.itemId(ref), id: asId<SocketId>('?1'), socket, was: null });
  }

  /** Puts a sample part in, under the next reference of its kind. */
  add(partId: string, label: string, settings: Settings = {}, where: Item['where'] = 'aircraft'): void {
    const part = sampleParts.find((candidate) => candidate.id === partId);
    if (part === undefined) throw new Error(`There is no sample part ${partId}.`);
    const id = asId<ItemId>(this.makeId());
    const ref = nextReference(this.#design.aircraft, part.kind);
    this.#byRef.set(ref, id);
    this.make({ kind: 'add-item', item: { id, ref, part: partKeyOf(part), where, label, settings } });
  }

  /** Lays the airframe out as it is usual for its kind, with numbers of its own. Where wings stay on, no joints. */
  layOut(sizeMm: number, numbers: Readonly<Partial<Record<FrameNumber, number>>> = {}, comesApart = true): void {
    const { kind, frame: was } = this.#design.aircraft.airframe;
    const usual = usualFrame(kind, sizeMm);
    const routes = comesApart
      ? usual.routes
      : Object.fromEntries(Object.entries(usual.routes).map(([id, { joint: _none, ...route }]) => [id, route]));
    this.make({ kind: 'set-frame', frame: { ...usual, routes, numbers: { ...usual.numbers, ...numbers } }, was: was ?? null });
  }

  /** Places an item by its middle. @param bay by id; none for what sits in a wing or outside */
  place(ref: string, at: Spot, bay?: string, turn: Place['turn'] = [0, 0, 0]): void {
    const id = this.#byRef.get(ref);
    if (id === undefined) throw new Error(`There is no ${ref}.`);
    const place = { at, turn, yawDeg: 0, below: false };
    this.make({
      kind: 'place-item',
      item: id,
      place: bay === undefined ? place : { ...place, bay: asId<BayId>(bay) },
      was: this.#design.aircraft.items[id]?.place ?? null,
    });
  }

  /** Places items by their middles. */
  placeAll(places: Spots): void {
    for (const [ref, at, bay, yaw = 0] of places) this.place(ref, at, bay, [0, 0, yaw]);
  }

  /** Makes every cable that was cut too short as long as its way with slack. */
  cutToWays(): void {
    for (const { cable, leg, way, lengthMm } of legWays(graphOf(this.#design)).values()) {
      const { typedLengthMm: was } = leg;
      if (was !== undefined && was < way.lengthMm) this.make({ kind: 'set-leg-length', cable: cable.id, leg: leg.id, lengthMm, was });
    }
  }

  /** Says what the aircraft is to be: its pack, and how many of each thing it wants of its controller. */
  want(battery: PlannedBattery, needs: Readonly<Partial<Record<NeedId, number>>>): void {
    this.make({ kind: 'set-planned-battery', battery, was: null });
    for (const need of needIds) {
      const count = needs[need];
      if (count !== undefined) this.make({ kind: 'set-need', need, count, was: null });
    }
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

  /** Puts a port onto another without a cable: a module into its bay. */
  sit(from: string, to: string): void {
    const proposed = proposeMate(graphOf(this.#design), this.#port(from), this.#port(to));
    if (proposed === undefined) throw new Error(`${from} does not go onto ${to}.`);
    this.make({ kind: 'add-mate', mate: proposed.mate });
  }

  /** Gives the newest cable a label, so that it is not taken for one that looks like it. */
  labelCable(label: string): void {
    const cable = this.#newest();
    this.make({ kind: 'set-cable-text', cable: cable.id, field: 'label', value: label, was: cable.label ?? '' });
  }

  /** Takes the wire at a pin of the newest cable's A end out again: what a person forgets. */
  forget(n: number): void {
    const cable = this.#newest();
    const conductor = Object.values(cable.conductors).find((candidate) => candidate.a.n === n);
    if (conductor === undefined) throw new Error(`${cable.tag} has no wire at ${n}.`);
    this.make({ kind: 'remove-conductor', cable: cable.id, conductor: conductor.id });
  }

  /** Fits a plug with another number of positions to the newest cable's A end. */
  fitPositions(positions: number): void {
    const cable = this.#newest();
    const [leg] = Object.values(cable.legs);
    const end = leg === undefined ? undefined : cable.nodes[leg.a];
    if (end?.is !== 'end') throw new Error(`${cable.tag} has no end A.`);
    const connector = { ...end.connector, positions };
    this.make({ kind: 'set-end-connector', cable: cable.id, node: end.id, connector, was: end.connector });
  }

  /** Gives every wire of the newest cable another gauge; only the given contact of its A end where one is named. */
  gauge(awg: number, n?: number): void {
    const cable = this.#newest();
    for (const conductor of Object.values(cable.conductors)) {
      if (n !== undefined && conductor.a.n !== n) continue;
      this.make({ kind: 'set-conductor-gauge', cable: cable.id, conductor: conductor.id, awg, was: conductor.awg });
    }
  }

  /** One wire more in the newest cable, from pin `a` of its A end to pin `b` of its B end. */
  join(a: number, b: number, awg: number, colour: WireColour): void {
    const cable = this.#newest();
    const [leg] = Object.values(cable.legs);
    if (leg === undefined) throw new Error(`${cable.tag} has no leg.`);
    const conductor = { id: asId<ConductorId>('?1'), leg: leg.id, a: { node: leg.a, n: a }, b: { node: leg.b, n: b }, awg, colour };
    this.make({ kind: 'add-conductor', cable: cable.id, conductor });
  }

  /** A single wire between two ports that are soldered, as a second way for the ground current: from pin `a` to pin `b`. */
  strap(from: string, to: string, a: number, lengthMm: number): void {
    this.wire(from, to, 'meaning', lengthMm);
    for (const conductor of Object.values(this.#newest().conductors)) if (conductor.a.n !== a) this.forget(conductor.a.n);
  }

  /** A branch of the newest cable: from its A end to a further port, with one wire from pin `a` to pin `b`. */
  branch(to: string, a: number, b: number, colour: WireColour, lengthMm: number): void {
    const cable = this.#newest();
    const [first] = Object.values(cable.legs);
    if (first === undefined) throw new Error(`${cable.tag} has no leg.`);
    const at = this.#port(to);
    const [node, leg] = [asId<NodeId>('?1'), asId<LegId>('?2')];
    this.make({
      kind: 'batch',
      title: `Branch ${cable.tag} to ${to}`,
      edits: [
        {
          kind: 'add-leg',
          cable: cable.id,
          leg: { id: leg, a: first.a, b: node, typedLengthMm: lengthMm },
          node: { id: node, is: 'end', at: { is: 'port', item: at.itemId, port: at.port.id }, connector: mateOf(at.port.connector) },
        },
        {
          kind: 'add-conductor',
          cable: cable.id,
          conductor: { id: asId<ConductorId>('?3'), leg, a: { node: first.a, n: a }, b: { node, n: b }, awg: 28, colour },
        },
      ],
    });
  }

  /** Says what the outputs of a bank make. */
  bank(ref: string, bank: string, value: Pick<BankUse, 'kind' | 'rateHz'>): void {
    this.make({ kind: 'set-bank', item: this.itemId(ref), bank, value, was: null });
  }

  /** Says what an output of a controller is for. */
  assign(ref: string, output: string, use: OutputFunction): void {
    this.make({ kind: 'set-output-function', item: this.itemId(ref), output, function: use, was: null });
  }

  #newest(): Cable {
    const cables = Object.values(this.#design.aircraft.cables).sort(byNatural((cable) => cable.tag));
    const last = cables.at(-1);
    if (last === undefined) throw new Error('There is no cable yet.');
    return last;
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
