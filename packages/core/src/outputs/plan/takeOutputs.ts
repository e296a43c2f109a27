import type { Edit } from '../../edits/registry.ts';
import { cablesAtPort, type PortAt } from '../../graph/cableJoins.ts';
import type { Graph } from '../../graph/graph.ts';
import { DraftEdits } from '../../harness/draftEdits.ts';
import { planJoin } from '../../harness/looms/planJoin.ts';
import { withGauge } from '../../harness/withGauge.ts';
import { rowStretch } from '../../ports/rowStretch.ts';
import { sameJson } from '../../model/canonicalJson.ts';
import { offsetOf, portPlace, type CableEnd, type Item } from '../../model/aircraft.ts';
import { isPinRow } from '../../model/connector.ts';
import { portOfEndpoint } from '../../model/endpointPins.ts';
import type { CableId, ItemId } from '../../model/ids.ts';
import { travelOf } from '../../model/outputPlan.ts';
import { turnSetting } from '../../model/turns.ts';
import { rotorPlanOf, type RotorRow } from '../rotorPlan.ts';
import { consumerName, consumersOf, type Consumer, type PulseOutput } from './consumers.ts';
import type { OutputPlan, Seat } from './planOutputs.ts';
import type { Slot } from './racks.ts';

/** The edit that makes a plan real, and what it cannot do. */
export interface TakenOutputs {
  /** Undefined where everything is as planned. */
  readonly edit: Edit | undefined;
  readonly undone: readonly { readonly what: string; readonly why: string }[];
}

/** What is led to another output, or to its first one. */
interface Move {
  readonly consumer: Consumer;
  readonly to: Slot;
}

/** A plug that was taken out of the board, to go in again elsewhere. */
interface Pulled {
  readonly cable: CableId;
  readonly end: CableEnd;
  /** The contact that carries the signal. */
  readonly contact: number;
}

/** A plan as one edit: plugs over, cables for what has none, functions with their travel, the pulses of banks. */
export function takeOutputs(graph: Graph, { rack, seats, banks }: OutputPlan): TakenOutputs {
  const draft = new DraftEdits(graph.design);
  const board = rack.entry.item.id;
  const seated = seats.flatMap((seat) => (seat.slot === undefined ? [] : [{ ...seat, slot: seat.slot }]));
  const moves = seated.flatMap(({ seeker, slot }) =>
    seeker.consumers.filter((consumer) => !isOn(consumer, slot)).map((consumer): Move => ({ consumer, to: slot })),
  );
  // 1. Every plug that goes elsewhere is pulled first: its place may be another's now. So is what hangs where it has no business.
  const strangers = seated.flatMap(({ seeker, slot }) => slot.on.filter((other) => !seeker.consumers.includes(other)));
  const leaving = new Set([...moves.map((move) => move.consumer), ...strangers]);
  const pulled = new Map<Consumer, Pulled>();
  for (const consumer of leaving) {
    const known = [...pulled].find(([other]) => other.on?.item === consumer.on?.item && other.on?.output.id === consumer.on?.output.id);
    const plug = known?.[1] ?? pull(draft, graph, board, consumer, leaving);
    if (plug !== undefined) pulled.set(consumer, plug);
  }
  // 2. In again, or a cable where there is none.
  const undone: { readonly what: string; readonly why: string }[] = [];
  for (const { consumer, to } of moves) {
    const plug = pulled.get(consumer);
    const isHeldBack = consumer.on !== undefined && plug === undefined;
    if (isHeldBack) undone.push({ what: consumerName(consumer), why: 'its plug carries other signals too, and stays where it is' });
    else if (!plugIn(draft, board, to, plug) && !join(draft, board, to, consumer))
      undone.push({ what: consumerName(consumer), why: whyNotJoined(draft, board, to, consumer) });
  }
  // 3. What each output is for, with how far its pulses go.
  for (const slot of rack.banks.flatMap(({ slots }) => slots)) clear(draft, board, slot, seated);
  for (const seat of seated) assign(draft, board, seat.slot, seat);
  for (const { slot } of seated) switchOffPort(draft, rack.entry.item, slot);
  for (const { bank, pulses } of banks) {
    const now =
      bank.use === undefined ? null : { kind: bank.use.kind, ...(bank.use.rateHz === undefined ? {} : { rateHz: bank.use.rateHz }) };
    if (pulses !== undefined && (now?.kind !== pulses.kind || now.rateHz !== pulses.rateHz))
      draft.make({ kind: 'set-bank', item: board, bank: bank.id, value: pulses, was: now });
  }
  // 4. Lift motors turn as the firmware has it, and so do their propellers, where nobody has said otherwise.
  for (const row of rotorPlanOf(draft.graph)) turn(draft, row);
  return { edit: draft.isEmpty ? undefined : draft.edit(titleOf(seats, moves)), undone };
}

function titleOf(seats: readonly Seat[], moves: readonly Move[]): string {
  const wired = moves.length === 0 ? '' : `, ${moves.length} wired`;
  return `Outputs as planned: ${seats.filter(({ slot }) => slot !== undefined).length} functions${wired}`;
}

function isOn({ on }: Consumer, slot: Slot): boolean {
  return on?.item === slot.item && on.output.id === slot.output.id;
}

/**
 * Pulls the plug that leads to a consumer out of the board: of a loom too, whose other ends stay where they are.
 * @param leaving all that leaves its output: a plug that leads to others besides stays in, and nothing is pulled
 */
function pull(draft: DraftEdits, graph: Graph, board: ItemId, consumer: Consumer, leaving: ReadonlySet<Consumer>): Pulled | undefined {
  const output = consumer.on?.output;
  const port = output === undefined ? undefined : portOfEndpoint(output);
  if (output === undefined || port === undefined) return undefined;
  for (const cable of cablesAtPort(draft.graph, board, port)) {
    const ends = Object.values(cable.nodes).filter((node): node is CableEnd => node.is === 'end');
    const isItsOwn = ends.some(({ at }) => at.is === 'port' && at.item === consumer.entry.item.id);
    const here = ends.find(({ at }) => at.is === 'port' && at.item === board && at.port === port);
    if (!isItsOwn || here?.at.is !== 'port') continue;
    const [first, last] = [1 + offsetOf(here.at), here.connector.positions + offsetOf(here.at)];
    const led = consumersOf(graph).filter(
      ({ on }) => on?.item === consumer.on?.item && portOfEndpoint(on?.output ?? output) === port && isWithin(on?.output, first, last),
    );
    if (led.some((other) => !leaving.has(other) || other.on?.output.id !== output.id)) return undefined;
    draft.make({ kind: 'set-cable-end', cable: cable.id, node: here.id, at: { is: 'free' }, was: here.at });
    return { cable: cable.id, end: here, contact: pinOf(output) - offsetOf(here.at) };
  }
  return undefined;
}

function isWithin(output: PulseOutput | undefined, first: number, last: number): boolean {
  return output !== undefined && pinOf(output) >= first && pinOf(output) <= last;
}

/** Puts a plug that was pulled into another output, its signal contact on the pin of that. @returns false where it does not fit there; then it is gone, with its cable */
function plugIn(draft: DraftEdits, board: ItemId, to: Slot, plug: Pulled | undefined): boolean {
  const port = portOfEndpoint(to.output);
  if (plug === undefined || port === undefined) return false;
  const offset = pinOf(to.output) - plug.contact;
  const at = portPlace(board, port, Math.max(offset, 0));
  const node = draft.cable(plug.cable)?.nodes[plug.end.id];
  // The other consumers of a Y-lead came with the first.
  if (node?.is === 'end' && sameJson(node.at, at)) return true;
  const isDone = offset >= 0 && draft.make({ kind: 'set-cable-end', cable: plug.cable, node: plug.end.id, at, was: { is: 'free' } });
  if (!isDone) draft.make({ kind: 'remove-cable', cable: plug.cable });
  return isDone;
}

function pinOf({ pin }: { readonly pin: string }): number {
  return Number(pin.slice(pin.lastIndexOf('.') + 1));
}

function join(draft: DraftEdits, board: ItemId, to: Slot, { entry, input }: Consumer): boolean {
  const [own, port] = [portOfEndpoint(input), portOfEndpoint(to.output)];
  if (own === undefined || port === undefined) return false;
  const ends = (): readonly [PortAt | undefined, PortAt | undefined] => [draft.port(entry.item.id, own), draft.port(board, port)];
  const [a, b] = ends();
  if (a === undefined || b === undefined) return false;
  const outputs = b.port.pins.filter(({ role }) => role === 'pulse-out');
  if (outputs.length > 1 && !isPinRow(b.port.connector)) return joinAmongOthers(draft, ends, { a: pinOf(input), b: pinOf(to.output) });
  const stretch = rowStretch(draft.graph, b, [to.output]);
  if (stretch === undefined) return false;
  const edit = planJoin(draft.graph, a, stretch, 'meaning');
  return draft.take(a.port.pins.some(({ role }) => role === 'supply-out') ? edit && withGauge(edit, FEED_AWG) : edit);
}

/** The lead of a motor controller that feeds the rail too carries what all servos take. */
const FEED_AWG = 22;

/** A plug for several outputs: the signal goes to its own pin, the ground to that of the plug; what the plug feeds is for its motor controllers. */
function joinAmongOthers(draft: DraftEdits, ends: () => readonly [PortAt | undefined, PortAt | undefined], signal: PinPair): boolean {
  const joinPins = (pair: PinPair): boolean => {
    const [a, b] = ends();
    return a !== undefined && b !== undefined && draft.take(planJoin(draft.graph, a, b, pair));
  };
  const [a, b] = ends();
  const [ground, other] = [a, b].map((at) => at?.port.pins.find(({ role }) => role === 'gnd')?.n);
  return joinPins(signal) && (ground === undefined || other === undefined || joinPins({ a: ground, b: other }));
}

interface PinPair {
  readonly a: number;
  readonly b: number;
}

function whyNotJoined(draft: DraftEdits, board: ItemId, { output, label }: Slot, { entry, input }: Consumer): string {
  const [own, port] = [portOfEndpoint(input), portOfEndpoint(output)];
  const there = own === undefined ? [] : cablesAtPort(draft.graph, entry.item.id, own);
  const between = there.find(({ nodes }) =>
    Object.values(nodes).some((node) => node.is === 'end' && node.at.is === 'port' && node.at.item === board && node.at.port === port),
  );
  return between === undefined
    ? `no cable can be made to ${label}`
    : `${between.tag} is plugged in there, and its wires do not carry the signal; fix it first`;
}

/** Takes the function off an output that is planned for another, or whose function goes elsewhere. */
function clear(
  draft: DraftEdits,
  board: ItemId,
  slot: Slot,
  seated: readonly { readonly seeker: Seat['seeker']; readonly slot: Slot }[],
): void {
  const was = slot.use?.function;
  if (was === undefined) return;
  const goesAway = seated.some(({ seeker, slot: to }) => seeker.function === was && seeker.now?.key === slot.key && to.key !== slot.key);
  const comes = seated.find(({ slot: to }) => to.key === slot.key)?.seeker.function;
  if (goesAway || (comes !== undefined && comes !== was))
    draft.make({ kind: 'set-output-function', item: board, output: slot.output.id, function: null, was });
}

function assign(draft: DraftEdits, board: ItemId, slot: Slot, { seeker }: Seat): void {
  const output = slot.output.id;
  if (slot.use?.function === seeker.function) return;
  draft.make({ kind: 'set-output-function', item: board, output, function: seeker.function, was: null });
  const travel = travelOf(seeker.now?.use ?? {});
  if (Object.keys(travel).length > 0) draft.make({ kind: 'set-output-travel', item: board, output, value: travel, was: {} });
}

/** The serial port on the pin of an output makes way. */
function switchOffPort(draft: DraftEdits, { id, settings }: Item, { sharedWith }: Slot): void {
  if (sharedWith === undefined) return;
  const setting = `${sharedWith}.protocol`;
  draft.make({ kind: 'set-item-setting', item: id, setting, value: null, was: settings[setting] ?? null });
}

function turn(draft: DraftEdits, { motor, rotor }: RotorRow): void {
  if (motor === undefined) return;
  const { item, part } = motor.entry;
  for (const setting of new Set([turnSetting(part, 'spin'), turnSetting(part, 'propeller')]))
    if (setting !== undefined && item.settings[setting] === undefined)
      draft.make({ kind: 'set-item-setting', item: item.id, setting, value: rotor.turns, was: null });
}
