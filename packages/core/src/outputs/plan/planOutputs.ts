import type { Patience, Proof } from '../../assign/problem.ts';
import { solveModal, type ModalOption } from '../../assign/solveModal.ts';
import { dialectOf } from '../../dialects/dialectOf.ts';
import type { Graph } from '../../graph/graph.ts';
import { OUTPUT_FUNCTIONS, type OutputFunction } from '../../model/outputFunctions.ts';
import { isPulseKind, PULSE_KINDS, type BankUse, type PulseKind } from '../../model/outputPlan.ts';
import { listed } from '../../text/lists.ts';
import { asSentence } from '../../text/sentences.ts';
import { functionSeekers, type FunctionSeeker } from './functionSeekers.ts';
import { mainRack, sharedWords, slotsIn, type Bank, type Rack, type Slot } from './racks.ts';

/** Rules that a person can let go of where not everything finds an output: that a serial port keeps its pin; that a held function stays. */
export const OUTPUT_RULES = ['shared', 'pins'] as const;
export type OutputRule = (typeof OUTPUT_RULES)[number];

/** What a person insists on: the key of an output by function. */
export type OutputPins = ReadonlyMap<OutputFunction, string>;

export type Pulses = Pick<BankUse, 'kind' | 'rateHz'>;

/** A function with the output that it gets. */
export interface Seat {
  readonly seeker: FunctionSeeker;
  readonly slot: Slot | undefined;
  /** Why it is there; or why it is left out. */
  readonly why: string;
  /** Outputs that it could not have, each with why: for one who asks. */
  readonly refused: readonly { readonly slot: Slot; readonly why: string }[];
}

export interface PlannedBank {
  readonly bank: Bank;
  /** Undefined for one that nobody uses. */
  readonly pulses: Pulses | undefined;
  readonly why: string;
}

/** Which output each function takes, and what each bank makes. */
export interface OutputPlan {
  readonly rack: Rack;
  readonly seats: readonly Seat[];
  readonly banks: readonly PlannedBank[];
  readonly cost: number;
  readonly proof: Proof;
}

export interface OutputWish {
  /** Those of the document where nothing else is said. */
  readonly pins?: OutputPins;
  readonly without?: readonly OutputRule[];
  readonly patience?: Patience;
}

/*
 * What things cost, in one order: that a function is left out; that something is plugged over; that a function moves; that a bank is begun;
 * that a bank makes other pulses than are planned; slower pulses than could be; and where a slot is on the board.
 */
const LEFT_OUT = { needed: 1_000_000, other: 100_000 } as const;
const PLUGGED_OVER = 1000;
const MOVED = 200;
const BANK_BEGUN = 60;
const OTHER_PULSES = 8;

/** The plan of the main controller. @returns undefined where no controller has outputs */
export function planOutputs(graph: Graph, wish?: OutputWish): OutputPlan | undefined {
  const rack = mainRack(graph);
  return rack === undefined ? undefined : planRack(graph, rack, wish);
}

/**
 * The cheapest output of a controller for every function, and the pulses of every bank. What is wired stays where it is unless something needed finds no
 * place otherwise; banks that are not needed are kept free; a bank runs as fast as the slowest on it takes.
 */
export function planRack(graph: Graph, rack: Rack, { pins, without = [], patience }: OutputWish = {}): OutputPlan {
  const slots = slotsIn(rack);
  const seekers = functionSeekers(graph, rack);
  const wanted = pins ?? heldPins(slots);
  const beyond = beyondLimits(graph, seekers);
  const rates = [...new Set(seekers.flatMap(({ takes }) => takes.rateHz))].sort((a, b) => a - b);
  const cells = seekers.map((seeker) => slots.map((slot, place) => cellOf(graph, { seeker, slot, place, pins: wanted, without })));
  const solution = solveModal(
    {
      groupOf: slots.map((slot) => rack.banks.findIndex(({ slots: own }) => own.includes(slot))),
      groups: rack.banks.map(() => ({ opening: BANK_BEGUN })),
      seekers: seekers.map((seeker, i) => ({
        without: seeker.isNeeded ? LEFT_OUT.needed : LEFT_OUT.other,
        options:
          seeker.impossible !== undefined || beyond.has(seeker.function)
            ? []
            : slots.flatMap((slot, place): ModalOption[] => {
                const cell = cells[i]?.[place];
                if (cell === undefined || 'why' in cell) return [];
                const modes = modesAt(seeker, slot, rates).map(({ pulses, slower }) => ({
                  mode: modeKey(pulses),
                  cost: cell.cost + slower + otherPulses(rack, slot, pulses),
                }));
                return modes.length === 0 ? [] : [{ place, modes }];
              }),
      })),
    },
    patience,
  );
  const banks = rack.banks.map((bank, group): PlannedBank => {
    const mode = solution.modes[group];
    const users = seekers.filter((_, i) => slots[solution.places[i] ?? -1]?.output.bank === bank.id);
    return { bank, pulses: mode === undefined ? undefined : pulsesOf(mode), why: bankWhy(mode, users) };
  });
  const seats = seekers.map((seeker, i): Seat => {
    const slot = slots[solution.places[i] ?? -1];
    const refused = slots.flatMap((other, place) => {
      const cell = cells[i]?.[place];
      const why =
        cell !== undefined && 'why' in cell ? cell.why : modesAt(seeker, other, rates).length === 0 ? noKindWhy(seeker, other) : undefined;
      return why === undefined ? [] : [{ slot: other, why }];
    });
    const why = slot === undefined ? (beyond.get(seeker.function) ?? leftOutWhy(seeker, slots, refused)) : seatWhy(seeker, slot);
    return { seeker, slot, why, refused };
  });
  return { rack, seats, banks, cost: solution.cost, proof: solution.proof };
}

/** The outputs that a person holds, by their functions. */
function heldPins(slots: readonly Slot[]): OutputPins {
  return new Map(slots.flatMap(({ key, use }) => (use?.held === true ? [[use.function, key] as const] : [])));
}

interface CellAsk {
  readonly seeker: FunctionSeeker;
  readonly slot: Slot;
  readonly place: number;
  readonly pins: OutputPins;
  readonly without: readonly OutputRule[];
}

/** What a function on an output costs by its place, or why it cannot be there. */
function cellOf(graph: Graph, { seeker, slot, place, pins, without }: CellAsk): { readonly cost: number } | { readonly why: string } {
  const drives = OUTPUT_FUNCTIONS[seeker.function].drives;
  const pin = without.includes('pins') ? undefined : pins.get(seeker.function);
  if (pin !== undefined && pin !== slot.key) return { why: 'It is fixed to another output.' };
  const refusal = dialectOf(graph.design)?.refusals.find(
    (one) => one.is === 'only-on' && one.function === seeker.function && (slot.code === undefined || !one.outputs.includes(slot.code)),
  );
  if (refusal !== undefined) return { why: refusal.sentence };
  if (slot.isReserved && drives !== 'motor') return { why: 'The firmware reserves it for motors on this airframe.' };
  if (slot.sharedWith !== undefined && !without.includes('shared')) return { why: sharedWords(slot.sharedWith) };
  if (slot.isCovered && seeker.consumers.length > 0) return { why: 'Another plug uses the supply and ground beside it.' };
  // Something that nobody moves by this function hangs there, and would have to be taken off.
  const strangers = slot.on.filter((other) => !seeker.consumers.includes(other));
  const isHome = seeker.now?.key === slot.key;
  const wired = seeker.consumers.filter(({ on }) => on !== undefined);
  const isWiredHere = wired.length > 0 && wired.every(({ on }) => on?.item === slot.item && on.output.id === slot.output.id);
  const over = (wired.length > 0 && !isWiredHere ? PLUGGED_OVER : 0) + (strangers.length > 0 ? PLUGGED_OVER : 0);
  return { cost: over + (seeker.now !== undefined && !isHome ? MOVED : 0) + (isHome || isWiredHere ? 0 : placeCost(slot, place)) };
}

/** Slots that come first on a board are taken first; a motor takes a kept one first. */
function placeCost({ isReserved }: Slot, place: number): number {
  return (isReserved ? 0 : 1) + place / 100;
}

/** The pulses in which a function works on an output, with how many faster ones it would take. */
function modesAt(
  { takes }: FunctionSeeker,
  slot: Slot,
  rates: readonly number[],
): readonly { readonly pulses: Pulses; readonly slower: number }[] {
  const [least, most] = takes.rateHz;
  return slot.kinds
    .filter((kind) => takes.kinds.includes(kind))
    .flatMap((kind): { pulses: Pulses; slower: number }[] => {
      if (!PULSE_KINDS[kind].hasRate) return [{ pulses: { kind }, slower: 0 }];
      const taken = rates.filter((rate) => rate >= least && rate <= most);
      return taken.map((rateHz, k) => ({ pulses: { kind, rateHz }, slower: taken.length - k }));
    });
}

function modeKey({ kind, rateHz }: Pulses): string {
  return rateHz === undefined ? kind : `${kind} ${rateHz}`;
}

function pulsesOf(mode: string): Pulses {
  const [kind = '', rate] = mode.split(' ');
  if (!isPulseKind(kind)) throw new Error(`There are no pulses "${mode}".`);
  return rate === undefined ? { kind } : { kind, rateHz: Number(rate) };
}

/** What is planned for a bank stays, unless it is in the way. */
function otherPulses({ banks }: Rack, slot: Slot, { kind, rateHz }: Pulses): number {
  const use = banks.find(({ slots }) => slots.includes(slot))?.use;
  return use === undefined || (use.kind === kind && use.rateHz === rateHz) ? 0 : OTHER_PULSES;
}

/** Functions for which the firmware has no output left, with its sentence: those that come last. */
function beyondLimits(graph: Graph, seekers: readonly FunctionSeeker[]): ReadonlyMap<OutputFunction, string> {
  const beyond = new Map<OutputFunction, string>();
  for (const { of, most, sentence } of dialectOf(graph.design)?.limits ?? []) {
    if (of !== 'servos' && of !== 'motors') continue;
    const drives = of === 'servos' ? 'servo' : 'motor';
    const own = seekers.filter(({ function: name }) => OUTPUT_FUNCTIONS[name].drives === drives);
    for (const { function: name } of own.slice(most)) beyond.set(name, sentence);
  }
  return beyond;
}

function names(seekers: readonly FunctionSeeker[]): string {
  return listed(seekers.map((seeker) => OUTPUT_FUNCTIONS[seeker.function].title));
}

function bankWhy(mode: string | undefined, users: readonly FunctionSeeker[]): string {
  if (mode === undefined) return 'Not needed: left free.';
  const { rateHz } = pulsesOf(mode);
  if (rateHz === undefined)
    return users.length === 1 ? `${asSentence(names(users))} accepts it.` : `All parts on it accept it: ${names(users)}.`;
  const slowest = users.filter(({ takes }) => takes.rateHz[1] === rateHz);
  return slowest.length === 0
    ? `All parts on it accept this rate: ${names(users)}.`
    : slowest.length === users.length
      ? `The fastest rate that ${names(users)} ${users.length === 1 ? 'accepts' : 'accept'}.`
      : `Limited by the slowest part on it: ${names(slowest)}.`;
}

function noKindWhy({ takes }: FunctionSeeker, slot: Slot): string {
  const kinds = (all: readonly PulseKind[]): string => all.map((kind) => PULSE_KINDS[kind].title).join(' or ');
  return `It can do ${kinds(slot.kinds)}; ${kinds(takes.kinds)} is needed.`;
}

function seatWhy({ now, consumers }: FunctionSeeker, slot: Slot): string {
  if (now?.key === slot.key) return slot.on.length > 0 ? 'It is wired there.' : 'It is there already.';
  if (consumers.some(({ on }) => on?.item === slot.item && on.output.id === slot.output.id))
    return 'The part that it drives is wired there.';
  if (now !== undefined) return `It moves from ${now.label}: that bank gives other pulses, or the output has another function.`;
  return slot.isReserved ? 'The firmware reserves this output for motors.' : 'The first output that suits it.';
}

function leftOutWhy({ impossible }: FunctionSeeker, slots: readonly Slot[], refused: Seat['refused']): string {
  if (impossible !== undefined) return impossible;
  if (refused.length === slots.length) return refused[0]?.why ?? 'The controller has no outputs.';
  return 'Every output that suits it is in use, or its bank gives other pulses.';
}
