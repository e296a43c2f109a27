import type { Graph } from '../../graph/graph.ts';
import { powerNetwork } from '../network/powerNetwork.ts';
import { sayFall, sayTripping } from '../report/sayEvents.ts';
import { scenariosOf } from '../scenarios/scenario.ts';
import { solveScenario, type ScenarioResult } from '../scenarios/solveScenario.ts';
import type { Tripping } from '../solve/circuit.ts';
import type { PartKind } from '../../model/partKinds.ts';
import { abilitiesOf, crewOf, hasFunctions, type Ability, type Crew, type Phase } from './abilities.ts';
import { aliveItems } from './aliveItems.ts';
import { faultsOf, type Fault } from './faultsOf.ts';
import { areFedAlike, solveFault, type FaultResult, type SolvedFault } from './solveFault.ts';

/**
 * How bad a fault is, the worst first. `unknown`: what moves the aircraft stops working, and whether control is lost cannot be told until outputs
 * have functions; `latent`: something that was spare is used up; `none`: nothing stops working.
 */
export const FAULT_CLASSES = ['critical', 'unknown', 'major', 'minor', 'latent', 'none'] as const;
export type FaultClass = (typeof FAULT_CLASSES)[number];

/** What a single fault costs, in the worst of the situations. */
export interface FaultLine {
  readonly id: string;
  readonly names: readonly string[];
  readonly class: FaultClass;
  /** True when it belongs to the airframe or to having one pack, one controller, one elevator: no wiring would change it. */
  readonly isInherent: boolean;
  /** The id of the situation that it costs most in, and its name. */
  readonly scenario: string;
  readonly scenarioTitle: string;
  readonly lost: readonly Ability[];
  /** References of the items that stop working, in order. */
  readonly dead: readonly string[];
  /** What gives way, in order, in sentences. */
  readonly events: readonly string[];
}

export interface FaultSweep {
  readonly lines: readonly FaultLine[];
  /** The abilities of the intact aircraft: only these can be lost. */
  readonly abilities: readonly Ability[];
  /** Faults that differ, times situations. */
  readonly judged: number;
  /** So many of those were solved: once a fault is critical, no other situation can make it worse. */
  readonly solves: number;
}

/** The situations in which faults are looked at, with the phase that they judge. */
const JUDGED: readonly { readonly id: string; readonly phase: Phase }[] = [
  { id: 'cruise', phase: 'cruise' },
  { id: 'servo-storm', phase: 'cruise' },
  { id: 'hover', phase: 'hover' },
];

export interface JudgedStage {
  readonly base: ScenarioResult;
  readonly phase: Phase;
  readonly abilities: ReadonlySet<Ability>;
  readonly alive: Uint8Array;
}

/** Every single fault in every judged situation, ranked: the class, then what is lost, then how much is dead. */
export function faultSweep(graph: Graph): FaultSweep {
  const steps = faultSteps(graph);
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
  }
}

/** The sweep in steps, so that it can be stopped: yields the share that is done after every fault. */
export function* faultSteps(graph: Graph): Generator<number, FaultSweep, void> {
  const crew = crewOf(graph);
  const stages = judgedStages(graph, crew);
  const faults = faultsOf(powerNetwork(graph));
  // For each situation an earlier one that is fed alike, or -1.
  const likeWhich = stages.map(({ base }, k) => stages.findIndex((other, j) => j < k && areFedAlike(other.base, base)));
  const lines: FaultLine[] = [];
  let solves = 0;
  for (const [i, fault] of faults.entries()) {
    const solved: SolvedFault[] = [];
    let worst: { readonly stage: JudgedStage; readonly result: FaultResult; readonly cost: Cost } | undefined;
    for (const [k, stage] of stages.entries()) {
      if (worst?.cost.class === FAULT_CLASSES[0]) break;
      const result = solveFault(stage.base, fault, solved[likeWhich[k] ?? -1]);
      solves++;
      solved.push(result);
      const cost = costOf(crew, stage, fault, result);
      if (worst === undefined || rank(cost) < rank(worst.cost)) worst = { stage, result, cost };
    }
    if (worst !== undefined) lines.push(lineOf(crew, worst.stage, fault, worst.result, worst.cost));
    yield (i + 1) / faults.length;
  }
  lines.sort(
    (a, b) =>
      rank(a) - rank(b) || Number(a.isInherent) - Number(b.isInherent) || b.lost.length - a.lost.length || b.dead.length - a.dead.length,
  );
  return {
    lines,
    abilities: [...new Set(stages.flatMap(({ abilities }) => [...abilities]))],
    judged: faults.length * stages.length,
    solves,
  };
}

function rank({ class: of }: Pick<FaultLine, 'class'>): number {
  return FAULT_CLASSES.indexOf(of);
}

/** The situations that faults are judged in, with what the intact aircraft can do there. */
export function judgedStages(graph: Graph, crew: Crew): JudgedStage[] {
  const scenarios = scenariosOf(graph.design.aircraft);
  return JUDGED.flatMap(({ id, phase }): JudgedStage[] => {
    const scenario = scenarios.find((candidate) => candidate.id === id);
    if (scenario === undefined) return [];
    const base = solveScenario(graph, scenario);
    const alive = aliveItems(base, base);
    return [{ base, phase, alive, abilities: abilitiesOf(crew, alive, phase) }];
  });
}

/** What one fault costs in one situation. */
export function outcomeOf(crew: Crew, stage: JudgedStage, fault: Fault, result: FaultResult): FaultLine {
  return lineOf(crew, stage, fault, result, costOf(crew, stage, fault, result));
}

/** What is lost in one situation: enough to say how bad it is. */
interface Cost {
  readonly class: FaultClass;
  readonly lost: readonly Ability[];
  /** The items that stop working. */
  readonly dead: readonly number[];
  /** By item, 1 for what still works. */
  readonly now: Uint8Array;
}

function costOf(crew: Crew, { base, phase, abilities, alive }: JudgedStage, fault: Fault, result: FaultResult): Cost {
  const now = aliveItems(base, result);
  for (const device of fault.effect.off) killOwner(base, device, now);
  for (const device of fault.effect.shorted) killOwner(base, device, now);
  const dead: number[] = [];
  for (let item = 0; item < now.length; item++) if (alive[item] === 1 && now[item] === 0) dead.push(item);
  if (dead.length === 0) return { class: classOf(NONE, movesOver(base, result)), lost: NONE, dead, now };
  const left = abilitiesOf(crew, now, phase);
  const lost = [...abilities].filter((ability) => !left.has(ability));
  return { class: isControlUnknown(crew, phase, dead) ? 'unknown' : classOf(lost, true), lost, dead, now };
}

/** What control hangs on, whatever the outputs are for. */
const STEERING: readonly PartKind[] = ['controller', 'rc-receiver', 'handheld-link', 'servo', 'motor-controller'];

/** True where something of the way from the sticks to the surfaces is dead, and nobody has said which outputs move what. */
function isControlUnknown(crew: Crew, phase: Phase, dead: readonly number[]): boolean {
  return !hasFunctions(crew, phase) && dead.some((item) => STEERING.some((kind) => crew.byKind.get(kind)?.includes(item) === true));
}

const NONE: readonly Ability[] = [];

function lineOf(crew: Crew, stage: JudgedStage, fault: Fault, result: FaultResult, { class: kind, lost, dead, now }: Cost): FaultLine {
  const { base } = stage;
  return {
    id: fault.id,
    names: fault.names,
    class: kind,
    isInherent: lost.length > 0 && isInherent(crew, stage, fault, kind, now),
    scenario: base.scenario.id,
    scenarioTitle: base.scenario.title,
    lost,
    dead: dead.map((item) => base.network.graph.items[item]?.item.ref ?? '?'),
    events: eventsOf(base, result),
  };
}

/** True when what the fault takes under the best of wirings costs as much already. */
function isInherent(crew: Crew, { phase, abilities, alive }: JudgedStage, fault: Fault, kind: FaultClass, now: Uint8Array): boolean {
  const costOf = (taken: readonly number[]): FaultClass => {
    const left = alive.slice();
    for (const item of taken) left[item] = 0;
    const still = abilitiesOf(crew, left, phase);
    return classOf(
      [...abilities].filter((ability) => !still.has(ability)),
      true,
    );
  };
  return takenSets(crew, fault, alive, now).some((taken) => FAULT_CLASSES.indexOf(costOf(taken)) <= FAULT_CLASSES.indexOf(kind));
}

function takenSets({ graph, byKind }: Crew, { takes }: Fault, alive: Uint8Array, now: Uint8Array): readonly (readonly number[])[] {
  switch (takes.is) {
    case 'items':
      return [takes.items];
    case 'pack':
      return (byKind.get('battery') ?? []).length > 1 ? [[]] : [[...graph.items.keys()]];
    case 'one-of-the-dead':
      return [...graph.items.keys()].filter((item) => alive[item] === 1 && now[item] === 0).map((item) => [item]);
  }
}

/** What is off or shorted itself does not work, whatever its voltage. */
function killOwner({ network }: ScenarioResult, device: number, alive: Uint8Array): void {
  const placed = network.devices[device]?.device;
  if (placed?.is === 'element' && (placed.element.is === 'load' || placed.element.is === 'drive')) alive[placed.item] = 0;
}

/** True when some device took another state than in the intact aircraft: a second supply took over. */
function movesOver({ before: { states } }: ScenarioResult, { after }: FaultResult): boolean {
  for (let device = 0; device < states.length; device++) if (states[device] !== after.states[device]) return true;
  return false;
}

function classOf(lost: readonly Ability[], isSomethingUsedUp: boolean): FaultClass {
  if (lost.includes('control')) return 'critical';
  if (lost.includes('propulsion') && lost.length > 1) return 'major';
  if (lost.length > 0) return 'minor';
  return isSomethingUsedUp ? 'latent' : 'none';
}

function eventsOf({ network, before: intact }: ScenarioResult, { before, falls }: FaultResult): string[] {
  const isKnown = (tripping: Tripping): boolean =>
    intact.trippings.some(({ device, what }) => device === tripping.device && what === tripping.what);
  return [
    ...before.trippings.filter((tripping) => !isKnown(tripping)).map((tripping) => sayTripping(network, tripping)),
    ...falls.map((fall) => sayFall(network, fall)),
  ];
}
