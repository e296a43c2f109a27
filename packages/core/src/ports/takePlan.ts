import type { Edit } from '../edits/registry.ts';
import type { Graph } from '../graph/graph.ts';
import { DraftEdits } from '../harness/draftEdits.ts';
import { isSupply } from '../harness/joinVerdict.ts';
import { runsOf } from '../harness/runs.ts';
import { chainsOf } from '../links/chains/chainsOf.ts';
import { portOfEndpoint } from '../model/endpointPins.ts';
import type { Cable } from '../model/aircraft.ts';
import { settingsOf, settingTakes } from '../model/settingsOf.ts';
import { cablesAtPort } from '../graph/cableJoins.ts';
import { joinLink } from './joinLink.ts';
import { takeOff } from './takeOff.ts';
import type { PlannedLink, PortPlan } from './planPorts.ts';
import type { WantedSetting } from './fit.ts';

/** The edit that makes a plan real, and what it cannot do. */
export interface TakenPlan {
  /** Undefined where everything is as planned. */
  readonly edit: Edit | undefined;
  /** Links that are not wired by it, each with why. */
  readonly undone: readonly { readonly link: PlannedLink; readonly why: string }[];
}

/** A plan as one edit: old cables away, new ones or branches with pin maps by meaning, and the settings of both ends. */
export function takePlan(graph: Graph, { links }: PortPlan): TakenPlan {
  const draft = new DraftEdits(graph.design);
  const undone: { readonly link: PlannedLink; readonly why: string }[] = [];
  const moving = links.filter((link) => link.fit !== undefined && (!isThere(link) || needsPart(link)));
  const unfed = new Set(moving.filter((link) => link.seeker.now !== undefined && isWiredUnfed(graph, link)));
  // 1. What moves, or is wired wrongly, is taken off first: its port may be another's now.
  for (const link of moving)
    if (!isThere(link))
      for (const cable of cablesOf(graph, link))
        takeOff(draft, cable, link.seeker.entry.item.id, (item) => isBoardOf(graph, link, graph.itemIx.get(item)));
  // 2. Cables and branches.
  for (const link of moving) {
    const why = link.fit === undefined ? undefined : joinLink(draft, link.fit, { isUnfed: unfed.has(link), isSplit: isSplit(link, links) });
    if (why !== undefined) undone.push({ link, why });
  }
  // 3. Settings at both ends, also of what stays.
  for (const { fit } of links) for (const wanted of fit?.settings ?? []) set(draft, graph, wanted);
  return { edit: draft.isEmpty ? undefined : draft.edit(titleOf(moving)), undone };
}

function titleOf(moving: readonly PlannedLink[]): string {
  return moving.length === 0
    ? 'Set the ports up as planned'
    : `Wire ${moving.length === 1 ? (moving[0]?.seeker.title ?? '') : `${moving.length} links`} as planned`;
}

function isThere({ seeker: { now }, fit }: PlannedLink): boolean {
  return (
    now !== undefined &&
    now.item === fit?.port.item &&
    fit.port.endpoints.some(({ id }) => id === now.endpoint) &&
    fit.from.some(({ id }) => id === now.from)
  );
}

/** True where a part belongs in its wires that is not there yet. */
function needsPart({ fit }: PlannedLink): boolean {
  return fit?.gives !== undefined && fit.gives.way !== 'software';
}

/** The cables between the device and controllers at the ports that it leaves by, but for those that lead other links. */
function cablesOf(graph: Graph, link: PlannedLink): readonly Cable[] {
  const { keys, entry, endpoints } = link.seeker;
  const ports = [...new Set(endpoints.map(portOfEndpoint))];
  const others = chainsOf(graph).filter(({ key, state }) => !keys.includes(key) && state.is !== 'not-joined' && state.is !== 'off');
  return ports
    .flatMap((port) => (port === undefined ? [] : cablesAtPort(graph, entry.item.id, port)))
    .filter((cable) => {
      const items = itemsOf(graph, cable);
      const leadsOthers = others.some(({ hops }) => hops.some(({ a, b }) => b !== undefined && items.has(a.item) && items.has(b.item)));
      const isToBoard = [...items].some((other) => isBoardOf(graph, link, other));
      return isToBoard && !leadsOthers && !feedsBoard(graph, cable);
    });
}

/** True for the controller that a link arrives at; for any controller where it arrives at none. Another that hears the device too is left alone. */
function isBoardOf(graph: Graph, { seeker: { now } }: PlannedLink, item: number | undefined): boolean {
  return now === undefined ? graph.items[item ?? -1]?.part?.kind === 'controller' : item === now.item;
}

/** True for a cable by which a controller lives: it stays, whatever becomes of the link that it leads too. */
function feedsBoard(graph: Graph, cable: Cable): boolean {
  return runsOf(graph).some(
    ({ cables, joins }) =>
      cables.includes(cable) &&
      joins.some(({ a, b }) =>
        [a, b].some(({ itemIx, pin }) => pin.role === 'supply-in' && graph.items[itemIx]?.part?.kind === 'controller'),
      ),
  );
}

function itemsOf(graph: Graph, { nodes }: Cable): ReadonlySet<number> {
  return new Set(
    Object.values(nodes).flatMap((node) => {
      const item = node.is === 'end' && node.at.is === 'port' ? graph.itemIx.get(node.at.item) : undefined;
      return item === undefined ? [] : [item];
    }),
  );
}

function isSplit({ seeker, fit }: PlannedLink, links: readonly PlannedLink[]): boolean {
  const plug = fit === undefined ? undefined : portOfEndpoint(fit.from[0]);
  return links.some(
    (other) =>
      other.seeker !== seeker &&
      other.seeker.item === seeker.item &&
      other.fit !== undefined &&
      portOfEndpoint(other.fit.from[0]) === plug &&
      (other.fit.port.item !== fit?.port.item || other.fit.port.port !== fit.port.port),
  );
}

/** True where the device's cable to a controller is there and joins no supply. */
function isWiredUnfed(graph: Graph, link: PlannedLink): boolean {
  const cables = cablesOf(graph, link);
  const runs = runsOf(graph).filter(({ leg }) => leg !== undefined && cables.includes(leg.cable));
  return runs.length > 0 && runs.every(({ joins }) => !joins.some(({ a, b }) => isSupply(a.pin.role) && isSupply(b.pin.role)));
}

/** @param planned the graph that the plan is of, in which the setting's item has its place */
function set(draft: DraftEdits, planned: Graph, { item, setting, value }: WantedSetting): void {
  const id = planned.items[item]?.item.id;
  const entry = id === undefined ? undefined : draft.graph.design.aircraft.items[id];
  const part = entry === undefined ? undefined : draft.graph.design.parts.get(entry.part);
  const spec = part === undefined ? undefined : settingsOf(part).find((one) => one.id === setting);
  if (entry === undefined || spec === undefined || !settingTakes(spec, value)) return;
  const now = entry.settings[setting];
  // What is delivered as it is wanted is not set.
  if ((now ?? spec.default) === value) return;
  draft.make({ kind: 'set-item-setting', item: entry.id, setting, value, was: now ?? null });
}
