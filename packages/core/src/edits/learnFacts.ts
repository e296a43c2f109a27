import type { Design } from '../model/design.ts';
import { partKeyOf } from '../model/contentHash.ts';
import { canonicalJson } from '../model/canonicalJson.ts';
import type { Item } from '../model/aircraft.ts';
import type { PartId, PartKey } from '../model/ids.ts';
import { LIMITS } from '../model/limits.ts';
import { byNatural } from '../model/naturalOrder.ts';
import type { Part } from '../model/part.ts';
import { sampleParts } from '../parts/catalogue.ts';
import { factsLearned, type PartFact } from '../parts/partFacts.ts';
import { planAdoption, type AdoptRevision } from './adoptPlan.ts';
import { proposeAdoption } from './proposeAdoption.ts';
import type { Edit } from './registry.ts';

/** Items of one revision of a part, and what the newest revision states besides. */
export interface Learning {
  readonly was: Part;
  readonly now: Part;
  /** In natural order. */
  readonly items: readonly Item[];
  readonly facts: readonly PartFact[];
}

/** What "learn newer facts of these parts" would do. */
export interface FactsPlan {
  /** All of it as one edit; undefined when there is nothing to learn. */
  readonly edit: Edit | undefined;
  readonly learns: readonly Learning[];
  /** Items that stay as they are, since something of them would move or be lost: they are looked at one by one. */
  readonly left: readonly { readonly ref: string; readonly because: string }[];
}

/** The sample parts as they are now, by id. */
export const shippedById: ReadonlyMap<PartId, Part> = new Map(sampleParts.map((part) => [part.id, part]));

/**
 * The items whose part there is a newer revision of, by their revision, in natural order of the references.
 * @param newest by part id; a revision that the design's library does not hold is passed over
 */
export function newerFacts(design: Design, newest: ReadonlyMap<PartId, Part> = shippedById): readonly Learning[] {
  const found = new Map<PartKey, Item[]>();
  for (const item of Object.values(design.aircraft.items)) found.set(item.part, [...(found.get(item.part) ?? []), item]);
  const learnings = [...found].flatMap(([key, items]): Learning[] => {
    const was = design.parts.get(key);
    const now = was === undefined ? undefined : newest.get(was.id);
    if (was === undefined || now === undefined || partKeyOf(now) === key || !design.parts.has(partKeyOf(now))) return [];
    return [{ was, now, items: [...items].sort(byNatural(({ ref }) => ref)), facts: factsLearned(was, now) }];
  });
  return learnings.sort(byNatural(({ items }) => items[0]?.ref ?? ''));
}

/** Makes every item of an older revision one of the newest, where no wire, setting or function of it moves or is lost. */
export function learnFacts(design: Design, newest: ReadonlyMap<PartId, Part> = shippedById): FactsPlan {
  const edits: AdoptRevision[] = [];
  const left: { ref: string; because: string }[] = [];
  const learns = newerFacts(design, newest).flatMap((learning): Learning[] => {
    const items = learning.items.filter((item) => {
      const edit = proposeAdoption(design, item.id, partKeyOf(learning.now));
      const because = edit === undefined ? 'Its part is not known here.' : reasonToLeave(design, edit, edits.length);
      if (because !== undefined) left.push({ ref: item.ref, because });
      else if (edit !== undefined) edits.push(edit);
      return because === undefined;
    });
    return items.length === 0 ? [] : [{ ...learning, items }];
  });
  const [only, second] = edits;
  const edit: Edit | undefined = second === undefined ? only : { kind: 'batch', title: 'Update to newer facts of parts', edits };
  return { edit, learns, left };
}

function reasonToLeave(design: Design, edit: AdoptRevision, before: number): string | undefined {
  if (before === LIMITS.editsPerBatch) return `${LIMITS.editsPerBatch} items are updated at once; this one follows in the next round.`;
  const plan = planAdoption(design, edit);
  return 'refused' in plan ? plan.refused.sentence : [...plan.losses, ...plan.moves][0];
}

/** Members of part data whose news are told as facts, or are words. */
const TOLD_OTHERWISE: ReadonlySet<string> = new Set([
  'endpoints',
  'radios',
  'how',
  'settings',
  'spin',
  'propeller',
  'usually',
  'name',
  'summary',
  'steps',
  'indications',
]);

/** What a revision states otherwise than the one before, besides facts and words, as members of part data: `circuit`, `massG`. */
export function otherChanges({ was, now }: Learning): (keyof Part)[] {
  const members = [...new Set([...memberNames(was), ...memberNames(now)])];
  return members.filter((name) => !TOLD_OTHERWISE.has(name) && canonicalJson(was[name] ?? null) !== canonicalJson(now[name] ?? null));
}

function memberNames(part: Part): (keyof Part)[] {
  const isMember = (name: string): name is keyof Part => Object.hasOwn(part, name);
  return Object.keys(part).filter(isMember);
}
