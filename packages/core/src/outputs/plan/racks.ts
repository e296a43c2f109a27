import { boardOf } from '../../dialects/boardOf.ts';
import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Graph, GraphItem } from '../../graph/graph.ts';
import { portIn } from '../../graph/cableJoins.ts';
import { isGroundTaken } from '../../ports/rowStretch.ts';
import { endpointPins, portOfEndpoint } from '../../model/endpointPins.ts';
import { isPulseKind, outputKey, type BankUse, type OutputUse, type PulseKind } from '../../model/outputPlan.ts';
import type { ResolvedPart } from '../../model/part.ts';
import { consumersOf, type Consumer, type PulseOutput } from './consumers.ts';

/** One output of a controller, with everything that is known of it. */
export interface Slot {
  readonly key: string;
  readonly item: number;
  readonly output: PulseOutput;
  /** As printed on the board. */
  readonly label: string;
  /** The index by which the firmware knows it. */
  readonly code: string | undefined;
  readonly kinds: readonly PulseKind[];
  readonly use: OutputUse | undefined;
  readonly on: readonly Consumer[];
  /** True where the firmware keeps it for motors on this airframe. */
  readonly isReserved: boolean;
  /** The serial port on the same pin that is set to a protocol: the pin cannot be both. Undefined where there is none. */
  readonly sharedWith: string | undefined;
  /** True where nothing is on its pin, and the plug of something else is on the supply and ground beside it. */
  readonly isCovered: boolean;
}

/** Outputs of one timer: they share pulse kind and rate. */
export interface Bank {
  readonly id: string;
  readonly key: string;
  /** What a person has planned. */
  readonly use: BankUse | undefined;
  readonly slots: readonly Slot[];
}

/** The outputs of one controller. */
export interface Rack {
  readonly item: number;
  readonly entry: GraphItem;
  readonly banks: readonly Bank[];
}

const cache = new WeakMap<Graph, readonly Rack[]>();

/** The controllers of the aircraft that have outputs, with their banks in the order of the board. */
export function racksOf(graph: Graph): readonly Rack[] {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const racks = graph.items.flatMap((entry, item): Rack[] => {
    const { part } = entry;
    if (part?.kind !== 'controller' || entry.item.where !== 'aircraft') return [];
    const slots = slotsOf(graph, item, entry, part);
    const ids = [...new Set(slots.map(({ output }) => output.bank))];
    const banks = ids.map((id): Bank => {
      const key = outputKey(entry.item.id, id);
      return { id, key, use: graph.design.aircraft.banks[key], slots: slots.filter(({ output }) => output.bank === id) };
    });
    return banks.length === 0 ? [] : [{ item, entry, banks }];
  });
  cache.set(graph, racks);
  return racks;
}

/**
 * The rack that the functions of the airframe are planned on: where most outputs have a function or something wired; of equals the first.
 * @returns undefined where no controller has outputs
 */
export function mainRack(graph: Graph): Rack | undefined {
  const used = (rack: Rack): number => slotsIn(rack).filter(({ use, on }) => use !== undefined || on.length > 0).length;
  return racksOf(graph).reduce<Rack | undefined>((best, rack) => (best === undefined || used(rack) > used(best) ? rack : best), undefined);
}

/** All slots of a rack. */
export function slotsIn({ banks }: Rack): readonly Slot[] {
  return banks.flatMap(({ slots }) => slots);
}

function slotsOf(graph: Graph, item: number, entry: GraphItem, part: ResolvedPart): readonly Slot[] {
  const { aircraft } = graph.design;
  const board = boardOf(dialectOf(graph.design), part);
  const reserved = board?.reserved?.[aircraft.airframe.kind] ?? [];
  return part.endpoints.flatMap((output): Slot[] => {
    if (output.is !== 'pulse-out') return [];
    const key = outputKey(entry.item.id, output.id);
    const on = consumersOf(graph).filter(({ on }) => on?.item === item && on.output.id === output.id);
    const port = portIn(graph, item, portOfEndpoint(output) ?? '');
    return [
      {
        key,
        item,
        output,
        label: outputLabel(part, output),
        code: board?.outputs?.[output.id],
        kinds: output.kinds.filter(isPulseKind),
        use: aircraft.outputs[key],
        on,
        isReserved: reserved.includes(output.id),
        sharedWith: sharedWith(entry, part, output),
        isCovered: on.length === 0 && port !== undefined && isGroundTaken(graph, port, [output]),
      },
    ];
  });
}

/** Why an output cannot be used while its pin is a serial port. */
export function sharedWords(port: string): string {
  return `Its pin is serial port ${port}, which is set to a protocol.`;
}

/** What is printed beside an output: on its port, or on its pin where a port has several. */
export function outputLabel(part: ResolvedPart, { id, pin }: PulseOutput): string {
  const dot = pin.lastIndexOf('.');
  const port = part.ports.find((candidate) => candidate.id === pin.slice(0, dot));
  if (port === undefined) return id;
  const outputs = port.pins.filter(({ role }) => role === 'pulse-out');
  return outputs.length > 1 ? (port.pins.find(({ n }) => n === Number(pin.slice(dot + 1)))?.label ?? id) : port.label;
}

function sharedWith({ item }: GraphItem, part: ResolvedPart, output: PulseOutput): string | undefined {
  return part.endpoints.find(
    (endpoint) =>
      endpoint.id !== output.id &&
      endpoint.is !== 'pulse-out' &&
      endpointPins(endpoint).includes(output.pin) &&
      item.settings[`${endpoint.id}.protocol`] !== undefined,
  )?.id;
}
