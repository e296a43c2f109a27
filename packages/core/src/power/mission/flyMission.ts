import type { Graph } from '../../graph/graph.ts';
import { onceBuilt } from '../../graph/onceBuilt.ts';
import { hovers, isWingless, type AirframeKind } from '../../model/airframes.ts';
import type { CircuitElement } from '../../model/part.ts';
import { POWER_FIGURES, type MissionLeg } from '../../model/powerPlan.ts';
import { powerNetwork, type PowerNetwork } from '../network/powerNetwork.ts';
import { cellVolts } from '../scenarios/cellVolts.ts';
import { lawsOf } from '../scenarios/lawsOf.ts';
import { scenariosOf, type Scenario } from '../scenarios/scenario.ts';
import { liveCircuit } from '../scenarios/solveScenario.ts';
import type { Law, Solved } from '../solve/circuit.ts';
import { solveCircuit, solveNear } from '../solve/solveCircuit.ts';

/** From solve to solve the pack that gives most loses this share of its capacity, within these limits of time. */
const STEP_SHARE = 0.01;
const SHORTEST_STEP_MIN = 0.25;
const LONGEST_STEP_MIN = 5;
/** Nothing that is asked for lasts longer. */
const MOST_MIN = 24 * 60;

/** A pack at one moment of the mission. */
export interface PackSample {
  readonly volts: number;
  readonly amps: number;
  readonly consumedMah: number;
  /** What is left, from 0 to 1. */
  readonly charge: number;
}

export interface MissionSample {
  readonly minute: number;
  readonly situation: string;
  /** In the order of `packs`. */
  readonly packs: readonly PackSample[];
}

export interface MissionPack {
  readonly ref: string;
  readonly capacityMah: number;
}

/** A mission flown from full packs. */
export interface Mission {
  readonly packs: readonly MissionPack[];
  readonly legs: readonly MissionLeg[];
  /** True when nobody has entered a mission: these legs are only an example for this kind of airframe. */
  readonly isExample: boolean;
  readonly totalMin: number;
  readonly samples: readonly MissionSample[];
  /** When the first pack is at the end of its usable share; undefined when the mission ends before. */
  readonly emptyAtMin: number | undefined;
  /** The pack that is there first. */
  readonly emptyPack: string | undefined;
  readonly usableShare: number;
}

const DEFAULT_USABLE_SHARE = POWER_FIGURES.usableShare.usual;

/** Where nobody has said what the mission is. */
function exampleMission(kind: AirframeKind): readonly MissionLeg[] {
  if (isWingless(kind)) return [{ situation: 'hover', minutes: 8 }];
  const start: readonly MissionLeg[] = hovers(kind)
    ? [
        { situation: 'hover', minutes: 1 },
        { situation: 'climb', minutes: 2 },
      ]
    : [
        { situation: 'launch', minutes: 0.2 },
        { situation: 'climb', minutes: 3 },
      ];
  return [...start, { situation: 'cruise', minutes: 25 }, ...(hovers(kind) ? [{ situation: 'hover', minutes: 1 }] : [])];
}

const cache = new WeakMap<Graph, Mission>();

/**
 * Flies the mission of an aircraft from full packs, in steps of a hundredth of a pack: each step is solved at the charge that every
 * pack has then. Goes on to the end of the mission even where a pack is empty before, as far as there is anything to solve.
 */
export function flyMission(graph: Graph): Mission {
  const known = cache.get(graph);
  if (known !== undefined) return known;
  const { power, airframe } = graph.design.aircraft;
  const entered = power?.mission ?? [];
  const legs = entered.length > 0 ? entered : exampleMission(airframe.kind);
  const usableShare = power?.usableShare ?? DEFAULT_USABLE_SHARE;
  const scenarios = new Map(scenariosOf(graph.design.aircraft).map((scenario) => [scenario.id, scenario]));
  const flight = new Flight(powerNetwork(graph));
  for (const { situation, minutes } of legs) {
    const scenario = scenarios.get(situation);
    if (scenario !== undefined) flight.fly(scenario, minutes);
  }
  const isEmpty = (pack: PackSample): boolean => pack.charge <= 1 - usableShare;
  const empty = flight.samples.find(({ packs }) => packs.some(isEmpty));
  const mission: Mission = {
    packs: flight.packs,
    legs,
    isExample: entered.length === 0,
    totalMin: legs.reduce((sum, { minutes }) => sum + minutes, 0),
    samples: flight.samples,
    emptyAtMin: empty?.minute,
    emptyPack: empty === undefined ? undefined : flight.packs[empty.packs.findIndex(isEmpty)]?.ref,
    usableShare,
  };
  cache.set(graph, mission);
  return mission;
}

/** How long an aircraft stays up in one situation. */
export interface Endurance {
  readonly situation: string;
  /** Undefined where nothing is drawn from any pack, or for longer than a day. */
  readonly minutes: number | undefined;
}

/** Cruising, or hovering where there is no wing, from full packs until the first one is at the end of its usable share. */
export interface Cruise {
  /** The situation, as people call it. */
  readonly situation: string;
  readonly packs: readonly MissionPack[];
  /** At least until then, where it comes within a day. */
  readonly samples: readonly MissionSample[];
  /** What a pack holds then, from 0 to 1. */
  readonly leastCharge: number;
  /** The index of the pack that is there first, with the index of the sample in which it is; undefined where none is within a day. */
  readonly end: { readonly pack: number; readonly sample: number } | undefined;
}

/** How the packs are drawn down in cruise; undefined where the aircraft has no such situation. */
export const cruiseOf = onceBuilt((graph): Cruise | undefined => {
  const { power, airframe } = graph.design.aircraft;
  const wanted = isWingless(airframe.kind) ? 'hover' : 'cruise';
  const scenario = scenariosOf(graph.design.aircraft).find(({ id }) => id === wanted);
  if (scenario === undefined) return undefined;
  const leastCharge = 1 - (power?.usableShare ?? DEFAULT_USABLE_SHARE);
  const flight = new Flight(powerNetwork(graph));
  const shared = { situation: scenario.title, packs: flight.packs, samples: flight.samples, leastCharge };
  for (let minutes = 0; minutes < MOST_MIN && flight.packs.length > 0; minutes += 15) {
    flight.fly(scenario, 15);
    const sample = flight.samples.findIndex(({ packs }) => packs.some(({ charge }) => charge <= leastCharge));
    const pack = flight.samples[sample]?.packs.findIndex(({ charge }) => charge <= leastCharge);
    if (pack !== undefined) return { ...shared, end: { pack, sample } };
  }
  return { ...shared, end: undefined };
});

/** How long the aircraft cruises, or hovers where it has no wing, from full packs to the end of the usable share of the first one. */
export function enduranceOf(graph: Graph): Endurance | undefined {
  const cruise = cruiseOf(graph);
  if (cruise === undefined) return undefined;
  const { situation, samples, leastCharge, end } = cruise;
  if (end === undefined) return { situation, minutes: undefined };
  const [before, at] = [samples[end.sample - 1], samples[end.sample]];
  const [from, to] = [before?.packs[end.pack]?.charge ?? 1, at?.packs[end.pack]?.charge ?? 0];
  const share = from === to ? 1 : (from - leastCharge) / (from - to);
  const start = before?.minute ?? 0;
  return { situation, minutes: start + share * ((at?.minute ?? start) - start) };
}

/** Below this charge a pack is empty: what is left of it by rounding. */
const EMPTY = 1e-9;
const OPEN = { is: 'open' } as const;

/** The voltage of a pack at a charge, with nothing drawn. */
function emfOf({ cells, chemistry }: Extract<CircuitElement, { is: 'battery' }>, charge: number): number {
  return cells * cellVolts(chemistry, charge);
}

/** Packs that are drawn from in steps, until they are empty. */
class Flight {
  readonly packs: MissionPack[] = [];
  readonly samples: MissionSample[] = [];
  readonly #devices: number[] = [];
  readonly #consumedMah: number[] = [];
  readonly #network: PowerNetwork;
  #minute = 0;

  constructor(network: PowerNetwork) {
    this.#network = network;
    network.devices.forEach(({ device }, i) => {
      if (device.is !== 'element' || device.element.is !== 'battery') return;
      this.#devices.push(i);
      this.packs.push({ ref: network.graph.items[device.item]?.item.ref ?? '?', capacityMah: device.element.capacityMah });
      this.#consumedMah.push(0);
    });
  }

  /** Stays in a situation for so long. */
  fly(scenario: Scenario, minutes: number): void {
    if (this.#devices.length === 0 || scenario.charge === undefined) return;
    const laws = lawsOf(this.#network, scenario);
    let last: Solved | undefined;
    const end = this.#minute + Math.min(minutes, MOST_MIN);
    for (let left = end - this.#minute; left > 1e-9; left = end - this.#minute) {
      last = this.#solve(laws, last);
      this.#sample(scenario, last);
      const { amps } = last;
      const step = Math.min(left, this.#stepMin(amps));
      this.#devices.forEach((device, k) => {
        const taken = (this.#consumedMah[k] ?? 0) + Math.max(amps[device] ?? 0, 0) * step * (1000 / 60);
        this.#consumedMah[k] = Math.min(taken, this.packs[k]?.capacityMah ?? taken);
      });
      this.#minute += step;
    }
    if (last !== undefined) this.#sample(scenario, this.#solve(laws, last));
  }

  /** The circuit with every pack at its present charge. */
  #solve(laws: readonly Law[], last: Solved | undefined): Solved {
    const now = [...laws];
    this.#devices.forEach((device, k) => {
      const law = laws[device];
      const placed = this.#network.devices[device]?.device;
      if (law?.is !== 'supply' || placed?.is !== 'element' || placed.element.is !== 'battery') return;
      now[device] = this.#isEmpty(k) ? OPEN : { ...law, emfV: emfOf(placed.element, this.#chargeOf(k)) };
    });
    const circuit = { shape: this.#network.shape, ohms: this.#network.ohms, laws: now };
    const near = last === undefined || last.trippings.length > 0 ? undefined : solveNear(circuit, last);
    if (near !== undefined) return near;
    const live = liveCircuit(this.#network, circuit);
    return solveCircuit(live.circuit, live.start);
  }

  #stepMin(amps: Float64Array): number {
    const perMinute = this.#devices.map((device, k) => ((amps[device] ?? 0) * 1000) / 60 / (this.packs[k]?.capacityMah ?? 1));
    const fastest = Math.max(...perMinute, 1e-9);
    // No further than to the end of a pack, which gives nothing from there on.
    const toEmpty = perMinute.flatMap((share, k) => (share > 1e-9 && !this.#isEmpty(k) ? [this.#chargeOf(k) / share] : []));
    return Math.min(Math.max(STEP_SHARE / fastest, SHORTEST_STEP_MIN), LONGEST_STEP_MIN, ...toEmpty);
  }

  #isEmpty(k: number): boolean {
    return this.#chargeOf(k) <= EMPTY;
  }

  #chargeOf(k: number): number {
    return Math.max(1 - (this.#consumedMah[k] ?? 0) / Math.max(this.packs[k]?.capacityMah ?? 1, 1e-6), 0);
  }

  #sample({ id }: Scenario, { volts, amps }: Solved): void {
    const packs = this.#devices.map((device, k): PackSample => {
      const [plus = 0, minus = 0] = this.#network.shape.devices[device]?.nodes ?? [];
      const placed = this.#network.devices[device]?.device;
      const isEmpty = this.#isEmpty(k) && placed?.is === 'element' && placed.element.is === 'battery';
      return {
        volts: isEmpty ? emfOf(placed.element, 0) : (volts[plus] ?? 0) - (volts[minus] ?? 0),
        amps: isEmpty ? 0 : (amps[device] ?? 0),
        consumedMah: this.#consumedMah[k] ?? 0,
        charge: this.#chargeOf(k),
      };
    });
    this.samples.push({ minute: this.#minute, situation: id, packs });
  }
}
