import { isClearlyMore } from '../../power/report/clearlyMore.ts';
import { against } from '../../text/numbers.ts';
import type { Graph } from '../../graph/graph.ts';
import { voltsAcross, type ScenarioResult } from '../../power/scenarios/solveScenario.ts';
import { proposeAdoption } from '../../edits/proposeAdoption.ts';
import { chooseRegulator } from '../../harness/feeders.ts';
import type { Item } from '../../model/aircraft.ts';
import { partKeyOf } from '../../model/contentHash.ts';
import type { Check, Remedy, Saying } from '../finding.ts';
import { workingSituations } from './helpers/situations.ts';
import { inSentence, withArticle } from '../../text/sentences.ts';

/** A linear regulator or a clamp that gets hotter than it may. */
export const dissipation: Check = {
  id: 'power.dissipation',
  stage: 'power',
  title: 'Part overheats',
  run: ({ graph }) => {
    const worst = new Map<number, { readonly watts: number; readonly saying: Saying }>();
    for (const result of workingSituations(graph)) {
      // Heat takes a while.
      if (result.scenario.durationS < 30) continue;
      result.network.devices.forEach((_, i) => {
        const heat = heatOf(result, i);
        if (heat === undefined || heat.watts <= heat.maxW || !isClearlyMore(heat.watts, worst.get(i)?.watts ?? 0)) return;
        worst.set(i, { watts: heat.watts, saying: sayingOf(graph, result, i, heat) });
      });
    }
    return [...worst.values()].map(({ saying }) => saying);
  },
};

interface Heat {
  readonly watts: number;
  readonly maxW: number;
}

/** The heat of a linear regulator, `(Vin - Vout) * I`, or of a clamp, `V * I`; undefined for what has no rating in watts. */
function heatOf({ network, before }: ScenarioResult, i: number): Heat | undefined {
  const placed = network.devices[i]?.device;
  if (placed?.is !== 'element') return undefined;
  const amps = before.amps[i] ?? 0;
  const { element } = placed;
  if (element.is === 'clamp') return { watts: voltsAcross(network, before, i) * amps, maxW: element.maxW };
  if (element.is !== 'regulator' || element.topology !== 'linear' || element.maxW === undefined) return undefined;
  return { watts: voltsAcross(network, before, i) * amps, maxW: element.maxW };
}

function sayingOf(graph: Graph, result: ScenarioResult, i: number, { watts, maxW }: Heat): Saying {
  const placed = result.network.devices[i]?.device;
  const item = graph.items[placed?.item ?? -1]?.item;
  const name = `${item?.ref ?? '?'} ${placed?.is === 'element' ? placed.element.id : ''}`;
  const heat = against(watts, maxW, 'W');
  return {
    severity: 'mend',
    where: item === undefined ? [] : [{ is: 'item', item: item.id }],
    what: `${name} dissipates ${heat.value}, rated ${heat.limit} (${inSentence(result.scenario.title)}).`,
    evidence: [{ label: `${name}, ${inSentence(result.scenario.title)}`, ...heat }],
    why: 'It shuts down when hot, and everything that it feeds loses power. A switching regulator makes a tenth of the heat.',
    discriminator: placed?.is === 'element' ? placed.element.id : '',
    remedies: () => (item === undefined ? [] : switchingRegulator(graph, item, result, i)),
  };
}

/** A switching regulator in the place of a linear one. */
function switchingRegulator(graph: Graph, item: Item, result: ScenarioResult, i: number): readonly Remedy[] {
  const placed = result.network.devices[i]?.device;
  if (placed?.is !== 'element' || placed.element.is !== 'regulator' || graph.items[placed.item]?.part?.kind !== 'regulator') return [];
  const nodes = result.network.shape.devices[i]?.nodes ?? [];
  const inV = (result.before.volts[nodes[0] ?? 0] ?? 0) - (result.before.volts[nodes[2] ?? 0] ?? 0);
  const { setV } = placed.element;
  const chosen = chooseRegulator({
    leastV: setV - 0.1,
    mostV: setV + 0.1,
    nominalV: setV,
    amps: Math.max(result.before.amps[i] ?? 0, placed.element.continuousA),
    packV: { full: inV * 1.2, empty: inV * 0.8 },
  });
  const edit = chosen === undefined ? undefined : proposeAdoption(graph.design, item.id, partKeyOf(chosen.part));
  if (chosen === undefined || edit === undefined) return [];
  const sentence = `Replace ${item.ref} with ${withArticle(inSentence(chosen.part.name))}, on the same wires.`;
  return [{ label: 'Use a switching regulator', sentence, edit }];
}
