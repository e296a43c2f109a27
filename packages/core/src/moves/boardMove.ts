import type { Finding } from '../checks/finding.ts';
import { findingsOf } from '../checks/findingsOf.ts';
import type { Edit } from '../edits/registry.ts';
import type { Graph } from '../graph/graph.ts';
import { DraftEdits } from '../harness/draftEdits.ts';
import { massOf } from '../layout/placedItems.ts';
import type { ItemId, PartKey } from '../model/ids.ts';
import { swapOrAdd } from './swap/swapOrAdd.ts';
import { cableWork, type CableWork } from './work/cableWork.ts';
import { mendsAfter, type Mend } from './mendsAfter.ts';
import { unplugStops } from './unplugStops.ts';
import { linksMoved, outputsMoved, suppliesMoved, type Moved } from './work/whatMoved.ts';

/** A controller made another board: what changes with it, and what is left to do. Plain values, to show and to print. */
export interface BoardMove {
  readonly title: string;
  /** All of it as one edit, with placeholders; undefined where there is nothing to do. */
  readonly edit: Edit | undefined;
  /** Which port each link had and gets. */
  readonly links: readonly Moved[];
  readonly outputs: readonly Moved[];
  /** What feeds the board, and whoever sees another supply than before. */
  readonly supplies: readonly Moved[];
  /** Every cable that is touched, and those at the board that stay. */
  readonly cables: readonly CableWork[];
  /** Parts that are put in for it, each with where. */
  readonly added: readonly { readonly name: string; readonly where?: string }[];
  /** What else was mended that the change brought, in sentences. */
  readonly mended: readonly string[];
  /** What the change brings and leaves to people, the worst first. */
  readonly left: readonly Finding[];
  /** The new board and what is put in less the old board, in grams; cables are not among it. */
  readonly massG: number;
  /** Contacts to crimp and joints to solder. */
  readonly contacts: number;
}

/**
 * Plans the change of a controller to another board: links on the best ports, outputs and supplies, cables that stay, are re-pinned or made
 * anew; and mends what that brings, as far as remedies can. Yields between steps.
 * @param item undefined where the board is put in and there is none yet
 * @returns undefined where one of the two is no controller, or the document does not allow the exchange
 */
export function* planBoardMove(graph: Graph, item: ItemId | undefined, part: PartKey): Generator<void, BoardMove | undefined> {
  const { design } = graph;
  const swap = yield* swapOrAdd(graph, item, part);
  if (swap === undefined) return undefined;
  yield;
  const draft = new DraftEdits(design);
  if (swap.edit !== undefined && !draft.take(swap.edit)) throw new Error('A change of controller that was planned is refused.');
  const board = item ?? draft.graph.items.find((entry) => !graph.itemIx.has(entry.item.id) && entry.item.part === part)?.item.id;
  if (board === undefined) throw new Error('A board that was put in is not in the aircraft.');
  const mends = yield* mendsAfter(design, draft);
  unplugStops(graph, draft, board);
  const after = draft.graph;
  const name = design.parts.get(part)?.name ?? part;
  const title = item === undefined ? `"${name}" is added` : `${design.aircraft.items[item]?.ref ?? ''} becomes "${name}"`;
  const cables = cableWork(graph, after, ({ nodes }) =>
    Object.values(nodes).some((node) => node.is === 'end' && node.at.is === 'port' && node.at.item === board),
  );
  return {
    title,
    edit: draft.isEmpty ? undefined : draft.edit(title),
    links: linksMoved(graph, after, swap),
    outputs: outputsMoved(graph, after, board),
    supplies: suppliesMoved(graph, after, board),
    cables,
    added: addedTo(graph, after, board),
    mended: mends.map(({ remedy }: Mend) => remedy.sentence),
    left: newFindings(graph, after),
    massG: partsG(after) - partsG(graph),
    contacts: cables.reduce((sum, { contacts }) => sum + contacts, 0),
  };
}

function addedTo(before: Graph, after: Graph, board: ItemId): BoardMove['added'] {
  return after.items.flatMap(({ item: { id, ref, label }, part }) =>
    before.itemIx.has(id) || id === board
      ? []
      : [{ name: `${ref}, ${part?.name ?? 'a part'}`, ...(label === undefined ? {} : { where: label }) }],
  );
}

/** Findings that are not among those before, or are graver now. */
function newFindings(before: Graph, after: Graph): readonly Finding[] {
  const known = new Set(findingsOf(before.design).map(keyOf));
  return findingsOf(after.design).filter((finding) => !known.has(keyOf(finding)));
}

function keyOf({ severity, key }: Finding): string {
  return `${severity} ${key}`;
}

function partsG({ items }: Graph): number {
  return items.reduce((sum, { item, part }) => (part === undefined || item.where !== 'aircraft' ? sum : sum + massOf(item, part)), 0);
}
