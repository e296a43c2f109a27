import { against, currentAgainst } from '../../text/numbers.ts';
import { circuitNode, type Graph } from '../../graph/graph.ts';
import { railsOf, type Driver } from '../../graph/railsOf.ts';
import type { ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import type { CircuitElement } from '../../model/part.ts';
import { inSentence, withArticle } from '../../text/sentences.ts';
import { graphAfter } from '../helpers/tryEdit.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { railRemedies } from './remedies/railSupply.ts';
import { conditionerRemedies } from './remedies/conditioner.ts';
import { situation, workingSituations } from './helpers/situations.ts';

/** A rail that servos hang on: copper, with fuses in between. */
interface ServoRail {
  readonly rail: number;
  readonly node: number;
  readonly servos: readonly number[];
}

function servoRails(graph: Graph): ServoRail[] {
  const { railOfNode } = railsOf(graph);
  const byRail = new Map<number, { node: number; servos: number[] }>();
  graph.items.forEach(({ part }, item) => {
    if (part?.kind !== 'servo') return;
    for (const element of part.circuit) {
      const node = element.is === 'load' ? circuitNode(graph, item, element.supply) : undefined;
      if (node === undefined) continue;
      const rail = railOfNode[node] ?? -1;
      const known = byRail.get(rail) ?? { node, servos: [] };
      known.servos.push(item);
      byRail.set(rail, known);
    }
  });
  return [...byRail].map(([rail, { node, servos }]) => ({ rail, node, servos }));
}

/** The servo rail lives on a regulator inside a motor controller. */
export const builtInRegulator: Check = {
  id: 'power.built-in-regulator',
  stage: 'power',
  title: 'Servos fed by a motor controller',
  run: ({ graph }) => servoRails(graph).flatMap((rail) => builtInSaying(graph, rail)),
};

function builtInSaying(graph: Graph, rail: ServoRail): Saying[] {
  const { drivers, railOfNode } = railsOf(graph);
  const feeding = drivers.filter(({ node }) => railOfNode[node] === rail.rail);
  const [only] = feeding;
  const entry = graph.items[only?.item ?? -1];
  if (only === undefined || entry === undefined || feeding.some(({ item }) => graph.items[item]?.part?.kind !== 'motor-controller'))
    return [];
  const motors = graph.items.filter(({ part, item }) => part?.kind === 'motor' && item.where === 'aircraft').length;
  const { amps, limitA } = mostAsked(graph, only);
  const isTooMuch = amps > limitA;
  const isWorse = motors > 1 || isTooMuch || rail.servos.length > 2;
  return [
    {
      severity: motors > 1 || isTooMuch ? 'mend' : 'note',
      where: [{ is: 'item', item: entry.item.id }],
      what: `The only supply of ${rail.servos.length === 1 ? 'the servo' : `${rail.servos.length} servos`} is the regulator inside ${entry.item.ref}.`,
      evidence: [
        { label: `${entry.item.ref} ${only.element.id}, most asked`, ...currentAgainst(amps, limitA) },
        { label: 'motors', value: String(motors) },
        { label: 'servos on the rail', value: String(rail.servos.length) },
      ],
      why: `A single failure of ${entry.item.ref} costs the motor and the control surfaces.${isWorse ? '' : ' With one motor and two servos this is common.'}`,
      remedies: () => railRemedies(graph, rail.node),
      discriminator: only.element.id,
    },
  ];
}

/** The most that is asked of a regulator, and what it may give for ever. */
function mostAsked(graph: Graph, { item, element }: Driver): { readonly amps: number; readonly limitA: number } {
  let amps = 0;
  for (const { network, before } of workingSituations(graph)) {
    network.devices.forEach(({ device }, i) => {
      if (device.is !== 'element' || device.item !== item || device.element.id !== element.id) return;
      const tripped = before.trippings.find((tripping) => tripping.device === i && tripping.what === 'overload');
      amps = Math.max(amps, tripped?.value ?? before.amps[i] ?? 0);
    });
  }
  return { amps, limitA: element.is === 'regulator' ? element.continuousA : Infinity };
}

/** The servo rail is a backup input of the controller, and nothing damps its dips and kicks. */
export const backupUnconditioned: Check = {
  id: 'power.backup-unconditioned',
  stage: 'power',
  title: 'Backup supply without conditioning',
  run: ({ graph }) => servoRails(graph).flatMap((rail) => backupSaying(graph, rail)),
};

function backupSaying(graph: Graph, rail: ServoRail): Saying[] {
  const cruise = situation(graph, 'cruise');
  const clamps = clampsOn(graph, rail.rail);
  if (clamps.length === 0 && hasCapacitor(graph, rail.rail)) return [];
  for (const [ix, { item, part }] of graph.items.entries()) {
    for (const element of part?.circuit ?? []) {
      if (element.is !== 'selector') continue;
      for (const input of element.inputs) {
        const node = circuitNode(graph, ix, input.node);
        if (node === undefined || railsOf(graph).railOfNode[node] !== rail.rail) continue;
        const seen = rangeAt(graph, ix, element.id, element.inputs.indexOf(input));
        if (seen === undefined) continue;
        // A rail that is outside the window all the time is told as such.
        const steadyV = cruise === undefined ? 0 : voltsAtInput(cruise, ix, element.id, element.inputs.indexOf(input));
        if (steadyV > input.maxV) return [];
        const fits = clamps.some(({ volts }) => volts > steadyV && volts <= input.maxV);
        const below = clamps.find(({ volts }) => volts <= steadyV);
        if (fits && below === undefined) return [];
        const misplaced = below ?? clamps[0];
        const isOut = seen.leastV < input.minV || seen.mostV > input.maxV;
        const clampedAt = misplaced === undefined ? undefined : against(misplaced.volts, below === undefined ? input.maxV : steadyV, 'V');
        return [
          {
            severity: isOut || misplaced !== undefined ? 'mend' : 'note',
            where: [{ is: 'item', item: item.id }],
            what:
              clampedAt === undefined
                ? `The servo rail is a backup supply of ${item.ref}, and nothing conditions it.`
                : below === undefined
                  ? `The clamp on the servo rail starts at ${clampedAt.value}; ${item.ref} accepts at most ${clampedAt.limit} there.`
                  : `The clamp on the servo rail starts at ${clampedAt.value}, below the ${clampedAt.limit} of the rail: it conducts all the time.`,
            evidence: [
              ...(clampedAt === undefined ? [] : [{ label: 'clamp', ...clampedAt }]),
              { label: 'lowest', ...against(seen.leastV, input.minV, 'V') },
              { label: 'highest', ...against(seen.mostV, input.maxV, 'V') },
            ],
            why: 'Servos that start pull the rail down, servos that brake push it up: the controller can reject the input just when it needs it.',
            remedies: () => (misplaced === undefined ? conditionerRemedies(graph, node) : otherClamps(graph, misplaced.item)),
            discriminator: element.id,
          },
        ];
      }
    }
  }
  return [];
}

interface RailClamp {
  readonly item: number;
  readonly volts: number;
}

/** The clamps of a rail, with the voltage at which each begins to conduct. */
function clampsOn(graph: Graph, rail: number): readonly RailClamp[] {
  return elementsOn(graph, rail).flatMap(({ item, element }) => (element.is === 'clamp' ? [{ item, volts: element.volts }] : []));
}

/** Other values of a clamp's own setting that leave nothing to say, the furthest from the rail first. */
function otherClamps(graph: Graph, ix: number): readonly Remedy[] {
  const item = graph.items[ix]?.item;
  const part = item === undefined ? undefined : graph.design.parts.get(item.part);
  if (item === undefined || part === undefined) return [];
  return part.settings.flatMap((spec) =>
    spec.is !== 'choice'
      ? []
      : spec.choices.toReversed().flatMap(({ value, label }): Remedy[] => {
          const edit = { kind: 'set-item-setting', item: item.id, setting: spec.id, value, was: item.settings[spec.id] ?? null } as const;
          const after = item.settings[spec.id] === value ? undefined : graphAfter(graph, edit);
          const isQuiet = after !== undefined && servoRails(after).every((rail) => backupSaying(after, rail).length === 0);
          const words = spec.unit === undefined ? label : `${label} ${spec.unit}`;
          return isQuiet
            ? [
                {
                  label: `Set ${item.ref} to ${words}`,
                  sentence: `Choose ${withArticle(inSentence(spec.label))} of ${words} for ${item.ref}.`,
                  edit,
                },
              ]
            : [];
        }),
  );
}

function hasCapacitor(graph: Graph, rail: number): boolean {
  return elementsOn(graph, rail).some(({ element }) => element.is === 'capacitor');
}

function elementsOn(
  graph: Graph,
  rail: number,
): readonly { readonly item: number; readonly element: Extract<CircuitElement, { is: 'clamp' | 'capacitor' }> }[] {
  const { railOfNode } = railsOf(graph);
  return graph.items.flatMap(({ part }, item) =>
    (part?.circuit ?? []).flatMap((element) =>
      (element.is === 'clamp' || element.is === 'capacitor') && railOfNode[circuitNode(graph, item, element.a) ?? -1] === rail
        ? [{ item, element }]
        : [],
    ),
  );
}

/** The lowest and the highest voltage at an input of a selector over all situations; undefined where nothing feeds it. */
function rangeAt(
  graph: Graph,
  item: number,
  element: string,
  input: number,
): { readonly leastV: number; readonly mostV: number } | undefined {
  const seen = workingSituations(graph).map((result) => voltsAtInput(result, item, element, input));
  const leastV = Math.min(...seen);
  return leastV < 0.5 ? undefined : { leastV, mostV: Math.max(...seen) };
}

function voltsAtInput({ network, before }: ScenarioResult, item: number, element: string, input: number): number {
  const at = network.devices.findIndex(
    ({ device }) => device.is === 'element' && device.item === item && device.element.id === element && device.element.is === 'selector',
  );
  const nodes = network.shape.devices[at]?.nodes ?? [];
  return (before.volts[nodes[input] ?? -1] ?? 0) - (before.volts[nodes.at(-1) ?? -1] ?? 0);
}
