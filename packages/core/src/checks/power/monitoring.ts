import { isClearlyMore } from '../../power/report/clearlyMore.ts';
import { current, currentAgainst, percent, quantity, stated } from '../../text/numbers.ts';
import { counterpartsOf } from '../../graph/counterparts.ts';
import type { Graph } from '../../graph/graph.ts';
import { runsOutOfScale } from '../../links/analogReadings.ts';
import type { ResolvedPart } from '../../model/part.ts';
import { senseReadings } from '../../power/report/senseReadings.ts';
import type { ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import { replacements } from '../helpers/replacements.ts';
import type { Check, Saying } from '../finding.ts';
import { situation, workingSituations } from './helpers/situations.ts';
import { tapRemedies } from './remedies/tap.ts';
import { inSentence } from '../../text/sentences.ts';

/** From this share of the cruise current on, what no sensor counts is worth a note, and worth mending. */
const NOTE_SHARE = 0.02;
const MEND_SHARE = 0.1;

/** Current that no sensor counts. */
export const unmeasured: Check = {
  id: 'power.unmeasured',
  stage: 'power',
  title: 'Current not measured',
  run: ({ graph }) => {
    const cruise = situation(graph, 'cruise');
    if (cruise === undefined || !graph.items.some(({ item, part }) => part?.kind === 'motor' && item.where === 'aircraft')) return [];
    const packs = flyingPacks(graph, cruise);
    const totalA = packs.reduce((sum, { amps }) => sum + amps, 0);
    // Without any sensor another check speaks.
    return isBlind(packs) ? [] : packs.flatMap((pack) => unmeasuredSaying(graph, pack, totalA));
  },
};

function unmeasuredSaying(graph: Graph, pack: ReturnType<typeof senseReadings>['packs'][number], totalA: number): Saying[] {
  const share = totalA > 0 ? pack.unseenA / totalA : 0;
  if (share <= NOTE_SHARE) return [];
  const entry = graph.items[pack.item];
  if (entry === undefined) return [];
  // What a power module takes for its own regulator stays before its sensor in any wiring.
  const wiredA = pack.unseen.reduce((sum, { amps, isOwn }) => sum + (isOwn ? 0 : amps), 0);
  return [
    {
      severity: wiredA > MEND_SHARE * totalA ? 'mend' : 'note',
      where: [{ is: 'item', item: entry.item.id }],
      what: `${percent(share)} of the cruise current of ${entry.item.ref} is not measured: ${pack.unseen.map(({ name }) => name).join(', ')}.`,
      evidence: [
        { label: 'in cruise, all packs', value: current(totalA) },
        ...pack.unseen.slice(0, 4).map(({ name, amps }) => ({ label: name, value: current(amps) })),
        { label: 'error in consumed charge after an hour', value: quantity(pack.unseenA * 1000, 'mAh') },
      ],
      why: 'Consumed charge reads too low: the pack is emptier than it seems.',
      remedies: () =>
        tapRemedies(
          graph,
          pack.unseen.map(({ device }) => device),
        ),
    },
  ];
}

/** Nothing measures the current of the packs. */
export const noMonitor: Check = {
  id: 'power.no-monitor',
  stage: 'power',
  title: 'Pack not measured',
  leftToPeople: 'a sensor is a part to choose',
  run: ({ graph }) => {
    const cruise = situation(graph, 'cruise');
    if (cruise === undefined || !graph.items.some(({ part }) => part?.kind === 'controller')) return [];
    const packs = flyingPacks(graph, cruise);
    const [pack] = packs;
    const entry = graph.items[pack?.item ?? -1];
    if (pack === undefined || entry === undefined || !isBlind(packs)) return [];
    return [
      {
        // A board without an input for it, as small stabilisers are, has nobody to tell.
        severity: graph.items.some(({ part }) => part?.kind === 'controller' && canMeasure(part)) ? 'mend' : 'note',
        where: [{ is: 'item', item: entry.item.id }],
        what: `Nothing measures the current of ${entry.item.ref}.`,
        evidence: [{ label: 'in cruise', value: current(pack.amps), limit: 'a current sensor in its path' }],
        why: 'The autopilot knows neither how much charge is left nor when to return. Fit a power module between pack and loads.',
      },
    ];
  },
};

/** What is counted of the packs that fly: one on the ground is nobody's reserve. */
function flyingPacks(graph: Graph, cruise: ScenarioResult): ReturnType<typeof senseReadings>['packs'] {
  return senseReadings(cruise).packs.filter(({ item }) => graph.items[item]?.item.where === 'aircraft');
}

/** True for a controller with an input that a sensor could be on. */
function canMeasure({ endpoints }: ResolvedPart): boolean {
  return endpoints.some(({ is }) => is === 'analog-sense' || is === 'i2c-host' || is === 'can');
}

/** True when there is no sensor at any pack. */
function isBlind(packs: ReturnType<typeof senseReadings>['packs']): boolean {
  return packs.every(({ hasSensor }) => !hasSensor) && packs.some(({ amps }) => amps > 0.02);
}

/** A sensor whose scale ends before the current does, or whose signal ends above what its input reads. */
export const senseScale: Check = {
  id: 'power.sense-scale',
  stage: 'power',
  title: 'Sensor out of range',
  run: ({ graph }) => [...currentScale(graph), ...signalScale(graph)],
};

function currentScale(graph: Graph): Saying[] {
  const worst = new Map<number, Saying>();
  const most = new Map<number, number>();
  for (const result of workingSituations(graph)) {
    result.network.devices.forEach(({ device }, i) => {
      const entry = graph.items[device.item];
      if (device.is !== 'element' || device.element.is !== 'sense' || entry === undefined) return;
      const amps = Math.abs(result.before.amps[i] ?? 0);
      const { fullScaleA, id } = device.element;
      if (amps <= fullScaleA || !isClearlyMore(amps, most.get(i) ?? 0)) return;
      most.set(i, amps);
      const seen = currentAgainst(amps, fullScaleA);
      worst.set(i, {
        severity: 'mend',
        where: [{ is: 'item', item: entry.item.id }],
        what: `${entry.item.ref} ${id} measures up to ${seen.limit}, and carries ${seen.value} (${inSentence(result.scenario.title)}).`,
        evidence: [{ label: `${entry.item.ref} ${id}, ${inSentence(result.scenario.title)}`, ...seen }],
        why: 'Current above its range is not counted, and the module runs hot.',
        discriminator: id,
        remedies: () => replacements(graph, entry.item.id),
      });
    });
  }
  return [...worst.values()];
}

function signalScale(graph: Graph): Saying[] {
  return graph.items.flatMap(({ item, part }, ix) =>
    (part?.endpoints ?? []).flatMap((endpoint): Saying[] => {
      if (endpoint.is !== 'analog-out') return [];
      return counterpartsOf(graph, ix, endpoint).flatMap(({ item: other, endpoint: input }): Saying[] => {
        const reader = graph.items[other]?.item;
        if (input.is !== 'analog-sense' || reader === undefined || !runsOutOfScale(endpoint, input)) return [];
        return [
          {
            severity: 'mend',
            where: [
              { is: 'item', item: item.id },
              { is: 'item', item: reader.id },
            ],
            what: `${item.ref} ${endpoint.purpose} outputs up to ${stated(endpoint.fullScaleV, 'V')} and ${reader.ref} reads up to ${stated(input.fullScaleV, 'V')}.`,
            evidence: [{ label: endpoint.purpose, value: stated(endpoint.fullScaleV, 'V'), limit: stated(input.fullScaleV, 'V') }],
            why: 'The upper part of the range all reads the same. Fit a divider, or use another input.',
            discriminator: endpoint.id,
            remedies: () => replacements(graph, item.id),
          },
        ];
      });
    }),
  );
}
