import { withPlainSpaces } from '../text/numbers.ts';
import { Bench } from '../demo/bench.ts';
import { reedbed } from '../demo/reedbed.ts';
import { applyEdit } from '../edits/applyEdit.ts';
import { withFreshIds } from '../edits/freshIds.ts';
import type { Edit } from '../edits/registry.ts';
import { inFindingOrder } from '../checks/byCause.ts';
import { findingsApart } from '../checks/findingsOf.ts';
import type { Finding } from '../checks/finding.ts';
import type { PortAt } from '../graph/cableJoins.ts';
import { graphOf } from '../graph/graphOf.ts';
import type { Cable, Item } from '../model/aircraft.ts';
import type { Design } from '../model/design.ts';
import { asId, type AircraftId, type MakeId } from '../model/ids.ts';

/** Ids that count up: the same in every run. */
export function countingIds(prefix = 'id'): MakeId {
  let count = 0;
  return () => `${prefix}${++count}`;
}

export function emptyBench(): Bench {
  return new Bench(asId<AircraftId>('test'), 'Test', countingIds());
}

export function demoDesign(): Design {
  return reedbed(asId<AircraftId>('reedbed'), countingIds());
}

const freshId = countingIds('fresh');

/** Makes an edit that must be accepted. */
export function made(design: Design, edit: Edit): Design {
  const result = applyEdit(design, withFreshIds(edit, freshId));
  if ('refused' in result) throw new Error(result.refused.sentence);
  return result.design;
}

export function itemOf(design: Design, ref: string): Item {
  const item = Object.values(design.aircraft.items).find((candidate) => candidate.ref === ref);
  if (item === undefined) throw new Error(`There is no ${ref}.`);
  return item;
}

/** A port of an item, by reference and id. */
export function portOfItem(design: Design, ref: string, portId: string): PortAt {
  const graph = graphOf(design);
  const item = graph.items.findIndex((entry) => entry.item.ref === ref);
  const entry = graph.items[item];
  const port = entry?.part?.ports.find(({ id }) => id === portId);
  if (entry === undefined || port === undefined) throw new Error(`There is no ${ref} ${portId}.`);
  return { item, itemId: entry.item.id, ref, port };
}

export function cableOf(design: Design, tag: string): Cable {
  const cable = Object.values(design.aircraft.cables).find((candidate) => candidate.tag === tag);
  if (cable === undefined) throw new Error(`There is no ${tag}.`);
  return cable;
}

/** The findings of one check, also of what is told under another one; in the order of findings, with ordinary spaces in their texts. */
export function findingsBy(design: Design, check: string): readonly Finding[] {
  const own = findingsApart(design).filter((finding) => finding.check === check);
  return own.sort(inFindingOrder).map(withPlainText);
}

function withPlainText(finding: Finding): Finding {
  const evidence = finding.evidence.map(({ label, value, limit }) => ({
    label: withPlainSpaces(label),
    value: withPlainSpaces(value),
    ...(limit === undefined ? {} : { limit: withPlainSpaces(limit) }),
  }));
  return { ...finding, what: withPlainSpaces(finding.what), evidence };
}
