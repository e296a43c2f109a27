import type { Edit } from '../edits/registry.ts';
import type { Graph } from '../graph/graph.ts';
import { DraftEdits } from '../harness/draftEdits.ts';
import { isSupply } from '../harness/joinVerdict.ts';
import { runsOf } from '../harness/runs.ts';
import { planJoin } from '../harness/looms/planJoin.ts';
import { chainsOf } from '../links/chains/chainsOf.ts';
import { portOfEndpoint } from '../model/endpointPins.ts';
import type { Cable } from '../model/aircraft.ts';
import type { CableId } from '../model/ids.ts';
import { settingsOf, settingTakes } from '../model/settingsOf.ts';
import { counterpartsOf } from '../graph/counterparts.ts';
import { pinNode } from '../graph/graph.ts';
import { voltsAt } from '../graph/railsOf.ts';
import { cablesAtPort, type PortAt } from '../graph/cableJoins.ts';
import type { PlannedLink, PortPlan } from './planPorts.ts';
import type { Fit, WantedSetting } from './portFit.ts';

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
  const moving = links.filter((link) => link.fit !== undefined && !isThere(link));
  const unfed = new Set(moving.filter((link) => link.seeker.now !== undefined && isWiredUnfed(graph, link)));
  // 1. What moves, or is wired wrongly, is taken off first: its port may be another's now.
  for (const link of moving) for (const cable of cablesOf(graph, link)) draft.make({ kind: 'remove-cable', cable });
  // 2. Cables and branches.
  for (const link of moving) if (!isWired(draft, link, unfed.has(link))) undone.push({ link, why: 'no cable can be made between the two' });
  // 3. Settings at both ends, also of what stays.
  for (const { fit } of links) for (const wanted of fit?.settings ?? []) set(draft, wanted);
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

/** The cables between the device and controllers at the ports that it leaves by, but for those that lead other links. */
function cablesOf(graph: Graph, { seeker: { item, keys, entry, endpoints } }: PlannedLink): readonly CableId[] {
  const ports = [...new Set(endpoints.map(portOfEndpoint))];
  const others = chainsOf(graph).filter(({ key, state }) => !keys.includes(key) && state.is !== 'not-joined' && state.is !== 'off');
  return ports
    .flatMap((port) => (port === undefined ? [] : cablesAtPort(graph, entry.item.id, port)))
    .filter((cable) => {
      const items = itemsOf(graph, cable);
      const leadsOthers = others.some(({ hops }) => hops.some(({ a, b }) => b !== undefined && items.has(a.item) && items.has(b.item)));
      return [...items].some((other) => other !== item && graph.items[other]?.part?.kind === 'controller') && !leadsOthers;
    })
    .map(({ id }) => id);
}

function itemsOf(graph: Graph, { nodes }: Cable): ReadonlySet<number> {
  return new Set(
    Object.values(nodes).flatMap((node) => {
      const item = node.is === 'end' && node.at.is === 'port' ? graph.itemIx.get(node.at.item) : undefined;
      return item === undefined ? [] : [item];
    }),
  );
}

/** What a cable did not feed so far, and what is fed from elsewhere, is not fed by a new one either. */
function isWired(draft: DraftEdits, { seeker, fit }: PlannedLink, isUnfed: boolean): boolean {
  if (fit === undefined) return false;
  const { graph } = draft;
  const device = graph.items[seeker.item]?.item.id;
  const board = graph.items[fit.port.item]?.item.id;
  const [a, b] = [
    device === undefined ? undefined : draft.port(device, portOfEndpoint(fit.from[0]) ?? ''),
    board === undefined ? undefined : draft.port(board, fit.port.port),
  ];
  if (a === undefined || b === undefined) return false;
  const preset = isUnfed || isFed(graph, a) ? 'supply-pulled' : 'meaning';
  return isJoined(graph, seeker.item, fit) || draft.take(planJoin(graph, a, b, preset));
}

function isFed(graph: Graph, { itemId, port }: PortAt): boolean {
  return port.pins.some(({ n, role }) => {
    const node = isSupply(role) ? pinNode(graph, itemId, port.id, n) : undefined;
    return node !== undefined && voltsAt(graph, node) !== undefined;
  });
}

/** True where the device's cable to a controller is there and joins no supply. */
function isWiredUnfed(graph: Graph, link: PlannedLink): boolean {
  const cables = cablesOf(graph, link);
  const runs = runsOf(graph).filter(({ leg }) => leg !== undefined && cables.includes(leg.cable.id));
  return runs.length > 0 && runs.every(({ joins }) => !joins.some(({ a, b }) => isSupply(a.pin.role) && isSupply(b.pin.role)));
}

/** True where the signals are joined already: by the cable of another link that leaves by the same port. */
function isJoined(graph: Graph, item: number, { from, port }: Fit): boolean {
  return from.every((endpoint) =>
    counterpartsOf(graph, item, endpoint).some(
      (other) => other.item === port.item && port.endpoints.some(({ id }) => id === other.endpoint.id),
    ),
  );
}

function set(draft: DraftEdits, { item, setting, value }: WantedSetting): void {
  const { graph } = draft;
  const entry = graph.items[item];
  const part = entry === undefined ? undefined : graph.design.parts.get(entry.item.part);
  const spec = part === undefined ? undefined : settingsOf(part).find(({ id }) => id === setting);
  if (entry === undefined || spec === undefined || !settingTakes(spec, value)) return;
  const now = entry.item.settings[setting];
  // What is delivered as it is wanted is not set.
  if ((now ?? spec.default) === value) return;
  draft.make({ kind: 'set-item-setting', item: entry.item.id, setting, value, was: now ?? null });
}
