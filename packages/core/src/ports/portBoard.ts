import type { Proof } from '../assign/problem.ts';
import type { Edit } from '../edits/registry.ts';
import type { Graph } from '../graph/graph.ts';
import { portOfEndpoint } from '../model/endpointPins.ts';
import type { Aircraft } from '../model/aircraft.ts';
import type { ItemId } from '../model/ids.ts';
import type { BoardEnd } from '../model/linkWords.ts';
import { listed } from '../text/lists.ts';
import { planPorts, type PlannedLink, type PlanWish, type PortPlan } from './planPorts.ts';
import type { Fit, GivesWay, NoFit } from './fit.ts';
import { priceOf } from './portPrices.ts';
import { takePlan } from './takePlan.ts';

/** A port of a controller, as a column. */
export interface BoardColumn {
  readonly key: string;
  /** What is printed beside it. */
  readonly label: string;
  /** The same with the controller's reference. */
  readonly title: string;
  /** As the document names it. */
  readonly end: BoardEnd;
}

/** A link at a port: what speaks against it, as a number and in words. */
export type BoardCell =
  | { readonly is: 'fits'; readonly cost: number; readonly words: string }
  /** It works where something gives way: a software port, a part in the wire. */
  | { readonly is: 'gives-way'; readonly words: string }
  | { readonly is: 'no-fit'; readonly words: string };

/** A link, as a row. */
export interface BoardRow {
  readonly title: string;
  readonly item: ItemId;
  /** The keys of its links. */
  readonly keys: readonly string[];
  /** What of the document says that a person wants it on a port, by the key of its link. */
  readonly pins: readonly { readonly link: string; readonly port: BoardEnd }[];
  readonly now: string | undefined;
  readonly planned: string | undefined;
  readonly pinned: string | undefined;
  /** Why it is where it is planned, and not elsewhere. */
  readonly why: string;
  readonly cells: readonly BoardCell[];
}

/** Links against ports, what is wired and what is planned: plain values, to show and to print. */
export interface PortBoard {
  readonly columns: readonly BoardColumn[];
  readonly rows: readonly BoardRow[];
  /** What the plan comes to, in a sentence. */
  readonly summary: string;
  readonly proof: Proof;
  /** What makes the plan real; undefined where everything is as planned. */
  readonly edit: Edit | undefined;
}

/** The port board of an aircraft. @returns undefined when the search was stopped before it found any plan */
export function portBoard(graph: Graph, wish: PlanWish = {}): PortBoard | undefined {
  const plan = planPorts(graph, wish);
  if (plan === undefined) return undefined;
  const { edit, undone } = takePlan(graph, plan);
  const isOneBoard = new Set(plan.ports.map(({ item }) => item)).size < 2;
  return {
    columns: plan.ports.map(({ key, title, entry, endpoints: [first] }) => ({
      key,
      title,
      end: { item: entry.item.id, endpoint: first.id },
      label: isOneBoard ? title.slice(entry.item.ref.length + 1) : title,
    })),
    rows: plan.links.map((link, i) => rowOf(graph.design.aircraft, plan, link, i)),
    summary: [summaryOf(plan), ...undone.map(({ link, why }) => `${link.seeker.title} is not wired by the plan: ${why}.`)].join(' '),
    proof: plan.proof,
    edit,
  };
}

function summaryOf({ links, ports, proof, cost }: PortPlan): string {
  if (ports.length === 0) return 'No controller in the aircraft: there are no ports.';
  if (links.length === 0) return 'Nothing needs a port yet.';
  const left = links.filter(({ fit }) => fit === undefined);
  const short =
    left.length === 0
      ? 'Every link has a port.'
      : `${listed(left.map(({ seeker }) => seeker.title))} ${left.length === 1 ? 'gets' : 'get'} no port.`;
  if (proof.is === 'optimal') return short;
  return `${short} The search was stopped: a better plan would cost at most ${cost - proof.atLeast} less, of ${cost}.`;
}

function rowOf({ links }: Aircraft, { ports, cells }: PortPlan, link: PlannedLink, i: number): BoardRow {
  const { seeker, fit, pinned } = link;
  const { now } = seeker;
  const here = ports.find(({ item, endpoints }) => item === now?.item && endpoints.some(({ id }) => id === now.endpoint));
  return {
    title: seeker.title,
    item: seeker.entry.item.id,
    keys: seeker.keys,
    now: here?.key,
    planned: fit?.port.key,
    pinned: pinned?.key,
    pins: seeker.keys.flatMap((link) => {
      const port = links[link]?.port;
      return port === undefined ? [] : [{ link, port }];
    }),
    why: whyOf(link),
    cells: (cells[i] ?? []).map(cellOf),
  };
}

function cellOf(cell: readonly Fit[] | NoFit): BoardCell {
  if ('is' in cell) return { is: 'no-fit', words: cell.why };
  const best = cell.find(({ gives }) => gives === undefined);
  if (best !== undefined) return { is: 'fits', cost: priceOf(best.prices), words: wordsOf(best) };
  const [first] = cell;
  if (first?.gives === undefined) throw new Error('A link fits a port, and neither plainly nor otherwise.');
  return { is: 'gives-way', words: `${first.gives.why}: ${GIVING_WAY_WORDS[first.gives.way]}` };
}

const GIVING_WAY_WORDS: Readonly<Record<GivesWay, string>> = {
  software: 'bytes are lost at times',
  inverter: 'with an inverter in the wire',
  'level-shifter': 'with a level shifter in the wires',
};

function wordsOf({ prices }: Fit): string {
  return prices.length === 0 ? 'nothing against it' : prices.map(({ words }) => words).join('; ');
}

function whyOf({ fit, seeker, pinned, dearerThan }: PlannedLink): string {
  const elsewhere = dearerThan.map(({ port, by }) => `${port.title} is used by ${by?.title ?? 'another'}`);
  const others = elsewhere.length === 0 ? '' : ` ${elsewhere.join('; ')}.`;
  if (fit === undefined)
    return pinned === undefined ? `No port is left that suits it.${others}` : `You fixed it to ${pinned.title}, which is not free for it.`;
  if (pinned !== undefined) return 'You fixed it there.';
  const stays = seeker.now?.item === fit.port.item && fit.port.endpoints.some(({ id }) => id === seeker.now?.endpoint);
  const plug = portOfEndpoint(fit.from[0]);
  const how = stays ? 'It stays where it is.' : `From ${seeker.entry.item.ref} ${plug ?? ''} to ${fit.port.title}: ${wordsOf(fit)}.`;
  return `${how}${others}`;
}
