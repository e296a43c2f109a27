import type { Edit } from '../edits/registry.ts';
import type { Graph } from '../graph/graph.ts';
import { DraftEdits } from '../harness/draftEdits.ts';
import { isSupply } from '../harness/joinVerdict.ts';
import { runsOf } from '../harness/runs.ts';
import { planJoin } from '../harness/looms/planJoin.ts';
import { chainsOf } from '../links/chains/chainsOf.ts';
import { portOfEndpoint } from '../model/endpointPins.ts';
import type { Cable } from '../model/aircraft.ts';
import type { Endpoint } from '../model/part.ts';
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
  for (const link of moving)
    if (!isWired(draft, link, { isUnfed: unfed.has(link), isSplit: isSplit(link, links) }))
      undone.push({ link, why: 'no cable can be made between the two' });
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

interface Wiring {
  /** What a cable did not feed so far is not fed by a new one either. */
  readonly isUnfed: boolean;
  /** True where another link of the same plug goes to another socket: then only its own pins are joined. */
  readonly isSplit: boolean;
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

function isWired(draft: DraftEdits, { seeker, fit }: PlannedLink, { isUnfed, isSplit }: Wiring): boolean {
  if (fit === undefined) return false;
  const { graph } = draft;
  const device = graph.items[seeker.item]?.item.id;
  const board = graph.items[fit.port.item]?.item.id;
  const [from, to] = [portOfEndpoint(fit.from[0]), fit.port.port];
  const ends = (): readonly [PortAt | undefined, PortAt | undefined] => [
    device === undefined || from === undefined ? undefined : draft.port(device, from),
    board === undefined ? undefined : draft.port(board, to),
  ];
  const [a, b] = ends();
  if (a === undefined || b === undefined) return false;
  if (isJoined(graph, seeker.item, fit)) return true;
  if (!isSplit) return draft.take(planJoin(graph, a, b, isUnfed || isFed(graph, a) ? 'supply-pulled' : 'meaning'));
  return fit.from.every((endpoint) =>
    pinPairs(endpoint, fit.port.endpoints).every((pair) => {
      const [x, y] = ends();
      return x !== undefined && y !== undefined && draft.take(planJoin(draft.graph, x, y, pair));
    }),
  );
}

/** The pins of a device's endpoint, each with the pin of the board that it goes to. */
function pinPairs(endpoint: Endpoint, board: readonly Endpoint[]): readonly { readonly a: number; readonly b: number }[] {
  const pairs = board.flatMap((other): readonly (readonly [string | undefined, string | undefined])[] => {
    if (endpoint.is === 'uart' && other.is === 'uart')
      return [
        [endpoint.tx, other.rx],
        [endpoint.rx, other.tx],
      ];
    if (endpoint.is === 'i2c-device' && other.is === 'i2c-host')
      return [
        [endpoint.sda, other.sda],
        [endpoint.scl, other.scl],
      ];
    if (endpoint.is === 'can' && other.is === 'can')
      return [
        [endpoint.high, other.high],
        [endpoint.low, other.low],
      ];
    if (endpoint.is === 'rc-out' && other.is === 'rc-in') return [[endpoint.pin, other.pin]];
    if (endpoint.is === 'analog-out' && other.is === 'analog-sense')
      return other.purpose.split(' or ').includes(endpoint.purpose) ? [[endpoint.pin, other.pin]] : [];
    return [];
  });
  const position = (pin: string): number => Number(pin.slice(pin.lastIndexOf('.') + 1));
  return pairs.flatMap(([a, b]) => (a === undefined || b === undefined ? [] : [{ a: position(a), b: position(b) }]));
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
