import type { Graph } from '../../graph/graph.ts';
import { powerNetwork } from '../network/powerNetwork.ts';
import { sayFall, sayTripping } from '../report/sayEvents.ts';
import { scenariosOf } from '../scenarios/scenario.ts';
import { solveScenario, type ScenarioResult } from '../scenarios/solveScenario.ts';
import { abilitiesOf, crewOf, type Ability, type Crew, type Phase } from './abilities.ts';
import { aliveItems } from './aliveItems.ts';
import { faultsOf, type Fault } from './faultsOf.ts';
import { solveFault, type FaultResult } from './solveFault.ts';

/** How bad a fault is, the worst first. `latent`: something that was spare is used up; `none`: nothing stops working. */
export const FAULT_CLASSES = ['critical', 'major', 'minor', 'latent', 'none'] as const;
export type FaultClass = (typeof FAULT_CLASSES)[number];

/** What a single fault costs, in the worst of the situations. */
export interface FaultLine {
  readonly id: string;
  readonly names: readonly string[];
  readonly class: FaultClass;
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
  readonly solves: number;
}

/** The situations in which faults are looked at, with the phase that they judge. */
const JUDGED: readonly { readonly id: string; readonly phase: Phase }[] = [
  { id: 'cruise', phase: 'cruise' },
  { id: 'servo-storm', phase: 'cruise' },
  { id: 'hover', phase: 'hover' },
];

interface Stage {
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
  const stages = stagesOf(graph, crew);
  const faults = faultsOf(powerNetwork(graph));
  const lines: FaultLine[] = [];
  for (const [i, fault] of faults.entries()) {
    const [first, ...others] = stages.map((stage) => outcomeOf(crew, stage, fault));
    if (first !== undefined) lines.push(others.reduce((worst, next) => (rank(next) < rank(worst) ? next : worst), first));
    yield (i + 1) / faults.length;
  }
  lines.sort((a, b) => rank(a) - rank(b) || b.lost.length - a.lost.length || b.dead.length - a.dead.length);
  return {
    lines,
    abilities: [...new Set(stages.flatMap(({ abilities }) => [...abilities]))],
    solves: faults.length * stages.length,
  };
}

function rank({ class: of }: FaultLine): number {
  return FAULT_CLASSES.indexOf(of);
}

function stagesOf(graph: Graph, crew: Crew): Stage[] {
  const scenarios = scenariosOf(crew.airframe);
  return JUDGED.flatMap(({ id, phase }): Stage[] => {
    const scenario = scenarios.find((candidate) => candidate.id === id);
    if (scenario === undefined) return [];
    const base = solveScenario(graph, scenario);
    const alive = aliveItems(base, base);
    return [{ base, phase, alive, abilities: abilitiesOf(crew, alive, phase) }];
  });
}

/** What one fault costs in one situation. */
function outcomeOf(crew: Crew, { base, phase, abilities, alive }: Stage, fault: Fault): FaultLine {
  const result = solveFault(base, fault);
  const now = aliveItems(base, result);
  for (const device of [...fault.effect.off, ...fault.effect.shorted]) killOwner(base, device, now);
  const left = abilitiesOf(crew, now, phase);
  const lost = [...abilities].filter((ability) => !left.has(ability));
  const dead = base.network.graph.items.flatMap(({ item }, i) => (alive[i] === 1 && now[i] === 0 ? [item.ref] : []));
  return {
    id: fault.id,
    names: fault.names,
    class: classOf(lost, dead.length > 0 || movesOver(base, result)),
    scenario: base.scenario.id,
    scenarioTitle: base.scenario.title,
    lost,
    dead,
    events: eventsOf(base, result),
  };
}

/** What is off or shorted itself does not work, whatever its voltage. */
function killOwner({ network }: ScenarioResult, device: number, alive: Uint8Array): void {
  const placed = network.devices[device]?.device;
  if (placed?.is === 'element' && (placed.element.is === 'load' || placed.element.is === 'drive')) alive[placed.item] = 0;
}

/** True when some device took another state than in the intact aircraft: a second supply took over. */
function movesOver({ before }: ScenarioResult, result: FaultResult): boolean {
  return before.states.some((state, i) => state !== result.after.states[i]);
}

function classOf(lost: readonly Ability[], isSomethingUsedUp: boolean): FaultClass {
  if (lost.includes('control')) return 'critical';
  if (lost.includes('propulsion') && lost.length > 1) return 'major';
  if (lost.length > 0) return 'minor';
  return isSomethingUsedUp ? 'latent' : 'none';
}

function eventsOf({ network, before: intact }: ScenarioResult, { before, falls }: FaultResult): string[] {
  const known = new Set(intact.trippings.map(({ device, what }) => `${device} ${what}`));
  return [
    ...before.trippings.filter(({ device, what }) => !known.has(`${device} ${what}`)).map((tripping) => sayTripping(network, tripping)),
    ...falls.map((fall) => sayFall(network, fall)),
  ];
}
