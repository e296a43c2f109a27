import type { Patience, Proof } from '../assign/problem.ts';
import { grouped } from '../text/grouped.ts';
import { portOfEndpoint } from '../model/endpointPins.ts';
import { solveAssignment } from '../assign/solveAssignment.ts';
import type { Graph } from '../graph/graph.ts';
import { boardLimits, boardPortsOf, type BoardPort } from './boardPorts.ts';
import { linkSeekers, type LinkSeeker } from './linkSeekers.ts';
import { choicesOf, together } from './choices.ts';
import { fitsOf } from './portFit.ts';
import type { Fit, GivesWay, NoFit } from './fit.ts';
import { priceOf, type Price } from './portPrices.ts';

/** What a person insists on: the keys of links, each with the key of the port that it is to be on. */
export type PortPins = ReadonlyMap<string, string>;

/** A link with the port that it gets. */
export interface PlannedLink {
  readonly seeker: LinkSeeker;
  /** Undefined for one that is left out: no port is left that suits it. */
  readonly fit: Fit | undefined;
  /** The port that a person insists on. */
  readonly pinned: BoardPort | undefined;
  /** Ports on which it would be cheaper, with who has each of them: why it is not there. */
  readonly dearerThan: readonly { readonly port: BoardPort; readonly by: LinkSeeker | undefined; readonly cost: number }[];
}

/** Which port each link takes, with everything that it was chosen from. */
export interface PortPlan {
  readonly links: readonly PlannedLink[];
  readonly ports: readonly BoardPort[];
  /** By link and port, in their orders: how it fits, or why not. */
  readonly cells: readonly (readonly (readonly Fit[] | NoFit)[])[];
  readonly cost: number;
  readonly proof: Proof;
}

export interface PlanWish {
  /** Those of the document where nothing else is said. */
  readonly pins?: PortPins;
  /** What may give way where nothing else is left. */
  readonly giveWay?: readonly GivesWay[];
  /** What else speaks against a fit than its place: what it would make of the cables of another board. */
  readonly pricesOf?: (fit: Fit) => readonly Price[];
  readonly patience?: Patience;
}

/**
 * The cheapest port for every link of an aircraft. What is wired stays where it is unless more is gained; what finds no port is left out,
 * as few as can be. Links in their order, ports in that of the board: of equal plans the first link has the first port.
 * @returns undefined when the search was stopped before it found any plan
 */
export function planPorts(graph: Graph, { pins, giveWay = [], pricesOf, patience }: PlanWish = {}): PortPlan | undefined {
  const seekers = linkSeekers(graph);
  const ports = boardPortsOf(graph, seekers);
  const wanted = pins ?? pinsOf(graph, ports);
  const priced = (cell: readonly Fit[] | NoFit): readonly Fit[] | NoFit =>
    pricesOf === undefined || 'is' in cell ? cell : cell.map((fit) => ({ ...fit, prices: [...fit.prices, ...pricesOf(fit)] }));
  const cells = seekers.map((seeker) => ports.map((port) => priced(fitsOf(graph, seeker, port))));
  const pinnedOf = seekers.map(({ keys }) => ports.find(({ key }) => keys.some((link) => wanted.get(link) === key)));
  const plainFits = seekers.map((_, i) =>
    (cells[i] ?? [])
      .flatMap((cell) => ('is' in cell ? [] : cell))
      .filter(({ gives, port }) => gives === undefined || giveWay.includes(gives.way) || port === pinnedOf[i]),
  );
  // 1. Every fit is a choice, and each link can be left out; links that leave by one plug choose together.
  const groups = [...grouped(seekers.keys(), (i) => plugOf(seekers[i], i)).values()];
  const choices = groups.map((group) =>
    together(
      group.map((i) =>
        choicesOf(
          seekers[i],
          (plainFits[i] ?? []).filter(({ port }) => pinnedOf[i] === undefined || port === pinnedOf[i]),
        ),
      ),
    ),
  );
  const found = solveAssignment(
    { seekers: choices.map((options, g) => ({ id: `plug ${g}`, options })), ...boardLimits(graph, seekers) },
    patience,
  );
  if (found.is !== 'solved') return undefined;
  // 2. What each got, and what it would rather have had.
  const got = new Map<number, Fit>();
  for (const [g, option] of found.chosen.entries()) {
    const fits = choices[g]?.find((choice) => choice === option)?.fits ?? [];
    groups[g]?.forEach((seeker, k) => {
      const fit = fits[k];
      if (fit !== undefined) got.set(seeker, fit);
    });
  }
  const links = seekers.map((seeker, i): PlannedLink => {
    const fit = got.get(i);
    const cost = fit === undefined ? Infinity : priceOf(fit.prices);
    const dearerThan = ports.flatMap((port) => {
      const best = (plainFits[i] ?? []).find((other) => other.port === port);
      if (best === undefined || priceOf(best.prices) >= cost) return [];
      const [holder] = [...got].find(([k, taken]) => k !== i && taken.uses.some((use) => best.uses.includes(use))) ?? [];
      return [{ port, by: holder === undefined ? undefined : seekers[holder], cost: priceOf(best.prices) }];
    });
    return { seeker, fit, pinned: pinnedOf[i], dearerThan };
  });
  return { links, ports, cells, cost: found.cost, proof: found.proof };
}

/** The ports that a person wants links on, as the document has it. What is no port any more is wanted by nobody. */
export function pinsOf({ design }: Graph, ports: readonly BoardPort[]): PortPins {
  return new Map(
    Object.entries(design.aircraft.links).flatMap(([key, { port }]) => {
      const there = ports.find(({ entry, endpoints }) => entry.item.id === port?.item && endpoints.some(({ id }) => id === port.endpoint));
      return there === undefined ? [] : [[key, there.key] as const];
    }),
  );
}

/** The plug that a link leaves by, where it can leave by one only. */
function plugOf(seeker: LinkSeeker | undefined, i: number): string {
  const plugs = new Set(seeker?.endpoints.map(portOfEndpoint));
  const [plug] = plugs;
  return plugs.size === 1 && plug !== undefined ? `${seeker?.item ?? i} ${plug}` : `link ${i}`;
}
