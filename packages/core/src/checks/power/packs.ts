import { isClearlyMore } from '../../power/report/clearlyMore.ts';
import { listed } from '../../text/lists.ts';
import { against, currentAgainst, figure, percent, quantity } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { stacksOf } from '../../graph/packsInSeries.ts';
import { railsOf, type Driver } from '../../graph/railsOf.ts';
import type { ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import { burstAmps } from '../../model/burst.ts';
import type { Part } from '../../model/part.ts';
import { POWER_FIGURES, type MissionLeg } from '../../model/powerPlan.ts';
import { flyMission } from '../../power/mission/flyMission.ts';
import { replacements } from '../helpers/replacements.ts';
import type { Check, Saying } from '../finding.ts';
import { cellSayings } from './helpers/cellCounts.ts';
import { situationWords, workingSituations } from './helpers/situations.ts';
import { inSentence } from '../../text/sentences.ts';

type Pack = Extract<Driver['element'], { is: 'battery' }>;

/** Packs in parallel. */
export const parallelBatteries: Check = {
  id: 'power.parallel-batteries',
  stage: 'power',
  title: 'Packs in parallel',
  leftToPeople: 'joining packs needs a part for it, or one pack less',
  run: ({ graph }) =>
    railsOf(graph).sharedRails.flatMap((drivers) =>
      drivers.every(({ element }) => element.is === 'battery') ? [joinedSaying(graph, drivers)] : [],
    ),
};

function joinedSaying(graph: Graph, drivers: readonly Driver[]): Saying {
  const packs = drivers.flatMap(({ item, element }) => {
    const entry = graph.items[item];
    return entry === undefined || element.is !== 'battery' ? [] : [{ entry, element }];
  });
  const kinds = new Set(packs.map(({ element }) => kindOf(element)));
  const refs = listed(packs.map(({ entry }) => entry.item.ref));
  return {
    severity: kinds.size > 1 ? 'stop' : 'note',
    where: packs.map(({ entry }) => ({ is: 'item', item: entry.item.id })),
    what: kinds.size > 1 ? `${refs} are in parallel and are not alike.` : `${refs} are in parallel with nothing between them.`,
    evidence: packs.map(({ entry, element }) => ({ label: entry.item.ref, value: kindOf(element) })),
    why:
      kinds.size > 1
        ? 'The higher one charges the lower one without any limit: fire hazard. Never plug them in together.'
        : 'Bring them to the same voltage before you join them: 0.1 V per cell drives tens of amperes.',
  };
}

function kindOf({ cells, chemistry }: Pack): string {
  return `${cells} cells, ${chemistry}`;
}

/** A pack that is not up to what is asked of it, or not the one that was planned. */
export const battery: Check = {
  id: 'power.battery',
  stage: 'power',
  title: 'Pack overloaded or too small',
  run: ({ graph }) => [...cellSayings(graph), ...dischargeSayings(graph), ...plannedSayings(graph), ...missionSayings(graph)],
};

/** Whether a part is a pack of so many cells in series, of a chemistry where one is given. */
function packOf(wanted: Pick<Pack, 'cells'> & Partial<Pick<Pack, 'chemistry'>>): (part: Part) => boolean {
  return ({ circuit }) =>
    circuit.some(
      (element) =>
        element.is === 'battery' && element.cells === wanted.cells && element.chemistry === (wanted.chemistry ?? element.chemistry),
    );
}

function dischargeSayings(graph: Graph): Saying[] {
  const worst = new Map<number, { readonly amps: number; readonly limitA: number; readonly result: ScenarioResult }>();
  for (const result of workingSituations(graph)) {
    result.network.devices.forEach(({ device }, i) => {
      if (device.is !== 'element' || device.element.is !== 'battery') return;
      const amps = result.before.amps[i] ?? 0;
      const limitA = burstAmps(device.element.continuousA, result.scenario.durationS);
      const known = worst.get(i);
      if (isClearlyMore(amps / limitA, known === undefined ? 0 : known.amps / known.limitA)) worst.set(i, { amps, limitA, result });
    });
  }
  return [...worst].flatMap(([i, { amps, limitA, result }]): Saying[] => {
    const placed = result.network.devices[i]?.device;
    const entry = graph.items[placed?.item ?? -1];
    if (placed?.is !== 'element' || placed.element.is !== 'battery' || entry === undefined) return [];
    if (amps <= limitA) return [];
    const pack = placed.element;
    const given = currentAgainst(amps, limitA);
    const { ref } = entry.item;
    return [
      {
        severity: 'mend',
        where: [{ is: 'item', item: entry.item.id }],
        what: `${ref} delivers ${given.value}, rated ${given.limit} (${situationWords(result.scenario)}).`,
        evidence: [{ label: `${ref}, ${inSentence(result.scenario.title)}`, ...given }],
        why: 'The pack heats up, swells and loses capacity; in the cold its voltage collapses.',
        discriminator: 'discharge',
        remedies: () => replacements(graph, entry.item.id, packOf({ cells: pack.cells })),
      },
    ];
  });
}

/** Only for a mission that a person has entered. */
function missionSayings(graph: Graph): Saying[] {
  const legs = graph.design.aircraft.power?.mission ?? [];
  if (legs.length === 0 || isClearlyEnough(graph, legs)) return [];
  const { emptyAtMin, emptyPack, totalMin, usableShare } = flyMission(graph);
  const { item, part } = graph.items.find((entry) => entry.item.ref === emptyPack) ?? {};
  const pack = part?.circuit.find((element) => element.is === 'battery');
  if (emptyAtMin === undefined || item === undefined || pack?.is !== 'battery') return [];
  return [
    {
      severity: 'note',
      where: [{ is: 'item', item: item.id }],
      what: `${item.ref} runs out of usable charge after ${figure(emptyAtMin, 'minutes')} of the ${quantity(totalMin, 'minutes')} of the mission.`,
      evidence: [
        { label: 'usable charge is used up', ...against(emptyAtMin, totalMin, 'min') },
        { label: 'usable share', value: percent(usableShare) },
      ],
      why: 'Only the reserve for wind, cold and a second approach is left then.',
      discriminator: 'mission',
      remedies: () => replacements(graph, item.id, packOf({ cells: pack.cells })),
    },
  ];
}

/** A mission that a rough sum shows to be well inside the packs need not be flown. */
const CLEARLY = 0.85;

function isClearlyEnough(graph: Graph, legs: readonly MissionLeg[]): boolean {
  const usable = graph.design.aircraft.power?.usableShare ?? POWER_FIGURES.usableShare.usual;
  const results = new Map(workingSituations(graph).map((result) => [result.scenario.id, result]));
  const [first] = results.values();
  return (first?.network.devices ?? []).every(({ device }, i) => {
    if (device.is !== 'element' || device.element.is !== 'battery') return true;
    const usedMah = legs.reduce((sum, leg) => sum + (((results.get(leg.situation)?.before.amps[i] ?? 0) * leg.minutes) / 60) * 1000, 0);
    return usedMah < CLEARLY * usable * device.element.capacityMah;
  });
}

function plannedSayings(graph: Graph): Saying[] {
  const { plannedBattery } = graph.design.aircraft;
  const packs = graph.items.flatMap(({ item, part }) => {
    const pack = part?.circuit.find((element) => element.is === 'battery');
    return pack?.is === 'battery' && item.where === 'aircraft' ? [{ item, pack }] : [];
  });
  const [first] = packs;
  if (plannedBattery === undefined || first === undefined) return [];
  if (packs.some(({ pack }) => pack.cells === plannedBattery.cells && pack.chemistry === plannedBattery.chemistry)) return [];
  const inSeries = stacksOf(graph).map((stack) => stack.reduce((sum, { element }) => sum + element.cells, 0));
  if (inSeries.includes(plannedBattery.cells) && packs.every(({ pack }) => pack.chemistry === plannedBattery.chemistry)) return [];
  const planned = `${plannedBattery.cells} cells, ${plannedBattery.chemistry}`;
  return [
    {
      severity: 'note',
      where: [{ is: 'item', item: first.item.id }],
      what: `${first.item.ref} has ${kindOf(first.pack)}, and the brief plans ${planned}.`,
      evidence: [{ label: first.item.ref, value: kindOf(first.pack), limit: planned }],
      why: 'Motors, regulators and the mission were chosen for the planned pack.',
      discriminator: 'planned',
      remedies: () => replacements(graph, first.item.id, packOf(plannedBattery)),
    },
  ];
}
