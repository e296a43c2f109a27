import { graphAfter } from '../checks/helpers/tryEdit.ts';
import type { Graph } from '../graph/graph.ts';
import { byRank } from '../harness/joinRank.ts';
import type { ItemId, PartKey } from '../model/ids.ts';
import { boardPortsOf } from '../ports/boardPorts.ts';
import { linkSeekers } from '../ports/linkSeekers.ts';
import { outputKey } from '../model/outputPlan.ts';
import type { BoardSwap } from './swap/boardSwap.ts';
import { swapOrAdd } from './swap/swapOrAdd.ts';
import { cableWork } from './work/cableWork.ts';
import { linkHomes, outputsMoved, suppliesMoved } from './work/whatMoved.ts';

/** What a controller would be to an aircraft. */
export interface BoardFit {
  readonly part: PartKey;
  readonly name: string;
  /** True for the board that is in the aircraft. */
  readonly isNow: boolean;
  /** Links that an item needs and that find no port. */
  readonly shortNeeded: readonly string[];
  /** Other links without a port, and functions without an output. */
  readonly short: readonly string[];
  /** Items that get no supply any more. */
  readonly dark: readonly string[];
  /** Ports and outputs that stay free. */
  readonly left: { readonly serial: number; readonly buses: number; readonly outputs: number };
  /** The new board less the one that is there, in grams; where none is, the board. */
  readonly massG: number;
  /** Contacts to crimp and joints to solder. */
  readonly contacts: number;
  /** Cables that are touched, and made anew. */
  readonly cables: number;
}

/**
 * Every board of a list, the best for the aircraft first: by what is short, then by what is left without supply, then by work. Yields
 * after each, with the share that is done.
 * @param item the controller in whose place the board would be; undefined where the aircraft has none
 * @param boards the parts to look at; what is no controller is passed over
 */
export function* boardFits(graph: Graph, item: ItemId | undefined, boards: readonly PartKey[]): Generator<number, readonly BoardFit[]> {
  const fits: BoardFit[] = [];
  for (const [i, part] of boards.entries()) {
    const steps = swapOrAdd(graph, item, part);
    let step = steps.next();
    while (step.done !== true) {
      yield i / boards.length;
      step = steps.next();
    }
    const fit = step.value === undefined ? undefined : fitOf(graph, step.value, part);
    if (fit !== undefined) fits.push(fit);
    yield (i + 1) / boards.length;
  }
  return fits.sort((a, b) => byRank(rankOf(a), rankOf(b)));
}

function rankOf({ shortNeeded, short, dark, contacts, massG, isNow }: BoardFit): readonly number[] {
  return [shortNeeded.length, shortNeeded.length + short.length, dark.length, isNow ? 0 : 1, contacts, massG];
}

function fitOf(graph: Graph, swap: BoardSwap, part: PartKey): BoardFit | undefined {
  const after = swap.edit === undefined ? graph : graphAfter(graph, swap.edit);
  const to = graph.design.parts.get(part);
  if (after === undefined || to === undefined) return undefined;
  const board = swap.item ?? after.items.find(({ item }) => !graph.itemIx.has(item.id) && item.part === part)?.item.id;
  const was = swap.item === undefined ? undefined : graph.items[graph.itemIx.get(swap.item) ?? -1];
  const homes = linkHomes(after);
  const lost = swap.plan.links.filter(({ seeker }) => !seeker.keys.some((key) => homes.has(key))).map(({ seeker }) => seeker);
  const outputs = swap.item === undefined ? [] : outputsMoved(graph, after, swap.item).filter(({ now }) => now === undefined);
  const dark =
    swap.item === undefined
      ? []
      : suppliesMoved(graph, after, swap.item).filter(({ now, was: fed }) => fed !== undefined && now === undefined);
  const cables = cableWork(graph, after, () => false);
  return {
    part,
    name: to.name,
    isNow: was?.item.part === part,
    shortNeeded: lost.filter(({ isNeeded }) => isNeeded).map(({ title }) => title),
    short: [...lost.filter(({ isNeeded }) => !isNeeded).map(({ title }) => title), ...outputs.map(({ what }) => what)],
    dark: dark.map(({ what }) => what),
    left: leftOn(after, board),
    massG: to.massG - (was?.part?.massG ?? 0),
    contacts: cables.reduce((sum, { contacts }) => sum + contacts, 0),
    cables: cables.length,
  };
}

/** What of a board nothing is on. */
function leftOn(graph: Graph, board: ItemId | undefined): BoardFit['left'] {
  const seekers = linkSeekers(graph);
  const ports = boardPortsOf(graph, seekers).filter(({ entry, heldBy, item, endpoints }) => {
    const isTaken = seekers.some(({ now }) => now?.item === item && endpoints.some(({ id }) => id === now.endpoint));
    return entry.item.id === board && heldBy === undefined && !isTaken;
  });
  const endpoints = graph.items.find(({ item }) => item.id === board)?.part?.endpoints ?? [];
  return {
    serial: ports.filter(({ endpoints: [first] }) => first.is === 'uart').length,
    buses: ports.filter(({ isBus }) => isBus).length,
    outputs: endpoints.filter(
      ({ is, id }) => is === 'pulse-out' && board !== undefined && graph.design.aircraft.outputs[outputKey(board, id)] === undefined,
    ).length,
  };
}
