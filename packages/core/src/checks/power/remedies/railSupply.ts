import { listed } from '../../../text/lists.ts';
import { circuitNode, groupOf, type Graph } from '../../../graph/graph.ts';
import { drivesDirectly, railsOf, voltsAt } from '../../../graph/railsOf.ts';
import type { PortAt } from '../../../graph/cableJoins.ts';
import type { Item } from '../../../model/aircraft.ts';
import type { Part } from '../../../model/part.ts';
import { DraftEdits } from '../../../harness/draftEdits.ts';
import { feedPorts, isOpen, regulatorFor } from '../../../harness/feeders.ts';
import { workingSituations } from '../helpers/situations.ts';
import type { Remedy } from '../../finding.ts';
import { supplyPull } from '../parallelRegulators.ts';
import { batteries } from '../../../parts/batteries.ts';
import { distribution } from '../../../parts/distribution.ts';
import { sizeFor } from './sizeFor.ts';
import { inSentence, withArticle } from '../../../text/sentences.ts';

/** What a servo rail is taken to want where nothing says. */
const NOMINAL_V = 5;
/** A regulator is chosen for so much more than what is asked. */
const SPARE = 1.25;

/** A separate regulator onto the rail of a node, in the place of the one inside a motor controller, if that feeds it. */
export function railRemedies(graph: Graph, node: number): readonly Remedy[] {
  const built = railsOf(graph).drivers.filter(
    (driver) => graph.items[driver.item]?.part?.kind === 'motor-controller' && drivesDirectly(graph, driver, node),
  );
  const draft = new DraftEdits(graph.design);
  const port = openPortOn(graph, node);
  if (port === undefined) return [];
  for (const driver of built) {
    const pull = supplyPull(draft.graph, driver);
    if (pull === undefined || !draft.make(pull.edit)) return [];
  }
  const added = addRegulator(draft, graph, node, port, false);
  if (added === undefined) return [];
  const instead =
    built.length === 0 ? '' : `, and pull the supply of ${listed(built.map(({ item }) => graph.items[item]?.item.ref ?? '?'))}`;
  return [
    {
      label: added.there === undefined ? 'Add a separate regulator' : `Use ${added.there.ref}`,
      sentence: `${added.words} from ${added.from} to ${port.ref} ${port.port.label}${instead}.`,
      edit: draft.edit('Add a separate regulator for the rail'),
    },
  ];
}

/** A second regulator onto a rail that has one, through a diode: from a pack that is there, or from one of its own. */
export function secondSupplyRemedies(graph: Graph, node: number): readonly Remedy[] {
  const port = openPortOn(graph, node);
  if (port === undefined) return [];
  return [false, true].flatMap((withPack): Remedy[] => {
    const draft = new DraftEdits(graph.design);
    const pack = withPack ? batteries.find(({ id }) => id === 'battery-lipo-3s-3300') : undefined;
    if (pack !== undefined && draft.add(pack, 'servo pack') === undefined) return [];
    const added = addRegulator(draft, graph, node, port, true);
    if (added === undefined) return [];
    return [
      {
        label: withPack ? 'Add a servo pack' : 'Add a second supply',
        sentence: `${added.words} from ${added.from}, through a combiner, to ${port.ref} ${port.port.label}: it takes over when the first fails.`,
        edit: draft.edit(withPack ? 'Add a servo pack with its regulator' : 'Add a second supply for the rail'),
      },
    ];
  });
}

function addRegulator(
  draft: DraftEdits,
  graph: Graph,
  node: number,
  port: PortAt,
  isSecond: boolean,
): { readonly there: Item | undefined; readonly words: string; readonly from: string } | undefined {
  const usedPacks = new Set(packsBehind(graph, node));
  const feeds = [...feedPorts(draft.graph)].sort((a, b) => (isSecond ? Number(usedPacks.has(a.pack)) - Number(usedPacks.has(b.pack)) : 0));
  const amps = Math.max(drawnOn(graph, node) * SPARE, 2);
  for (const feed of feeds) {
    const nominalV = voltsAt(graph, node) ?? NOMINAL_V;
    const chosen = regulatorFor(draft.graph, { leastV: nominalV - 0.3, mostV: nominalV + 0.5, nominalV, amps, packV: feed.packV });
    if (chosen === undefined) continue;
    const regulator = chosen.there?.id ?? draft.add(chosen.part, 'servo rail', chosen.settings);
    if (regulator === undefined || !draft.wire(draft.port(feed.at.itemId, feed.at.port.id), draft.port(regulator, 'in'))) return undefined;
    let out = draft.port(regulator, 'out');
    if (isSecond) {
      const combiner = distribution.find(({ id }) => id === 'combiner-two-inputs');
      const joint = combiner === undefined ? undefined : draft.add(combiner, 'second supply of the servo rail');
      if (joint === undefined || !draft.wire(out, draft.port(joint, 'A'), 'meaning', sizeFor(amps, out?.port.connector))) return undefined;
      out = draft.port(joint, 'out');
    }
    if (!draft.wire(out, draft.port(port.itemId, port.port.id), 'meaning', sizeFor(amps, out?.port.connector, port.port.connector)))
      return undefined;
    return {
      there: chosen.there,
      words: regulatorWords(chosen),
      from: `${feed.at.ref} ${feed.at.port.label}`,
    };
  }
  return undefined;
}

/** What is done with a regulator that was chosen, up to where it is fed from. */
export function regulatorWords({ part, there }: { readonly part: Part; readonly there?: Item | undefined }): string {
  return there === undefined ? `Add ${withArticle(inSentence(part.name))}` : `Wire ${there.ref}, which is not used yet,`;
}

/** An open port of a controller on the rail of a node, one that no fuse keeps from what feeds the rail before others. */
export function openPortOn(graph: Graph, node: number): PortAt | undefined {
  const { railOfNode, drivers } = railsOf(graph);
  const rail = railOfNode[node];
  const driver = drivers.find((candidate) => railOfNode[candidate.node] === rail);
  const fedNet = groupOf(graph.nets, driver?.node ?? node);
  const open = graph.nodes.flatMap((at, member): { readonly port: PortAt; readonly isFed: boolean }[] => {
    if (railOfNode[member] !== rail || at.is !== 'pin' || at.pin.role !== 'supply-through') return [];
    const entry = graph.items[at.item];
    if (entry?.part?.kind !== 'controller' || !isOpen(graph, entry.item.id, at.port)) return [];
    const port = { item: at.item, itemId: entry.item.id, ref: entry.item.ref, port: at.port };
    return [{ port, isFed: groupOf(graph.nets, member) === fedNet }];
  });
  return (open.find(({ isFed }) => isFed) ?? open[0])?.port;
}

/** The most that the loads of a rail take together in any situation, in amperes. */
function drawnOn(graph: Graph, node: number): number {
  const { railOfNode } = railsOf(graph);
  let most = 0;
  for (const { network, before } of workingSituations(graph)) {
    let sum = 0;
    network.devices.forEach(({ kind, nodes }, i) => {
      if (kind === 'draw' && railOfNode[nodes[0] ?? -1] === railOfNode[node]) sum += Math.max(before.amps[i] ?? 0, 0);
    });
    most = Math.max(most, sum);
  }
  return most;
}

/** The packs that the regulators of a rail are fed from. */
function packsBehind(graph: Graph, node: number) {
  const { drivers } = railsOf(graph);
  return drivers.flatMap((driver) => {
    if (driver.element.is !== 'regulator' || !drivesDirectly(graph, driver, node)) return [];
    const input = circuitNode(graph, driver.item, driver.element.in);
    const pack = drivers.find((other) => other.element.is === 'battery' && input !== undefined && drivesDirectly(graph, other, input));
    return graph.items[pack?.item ?? -1]?.item.id ?? [];
  });
}
