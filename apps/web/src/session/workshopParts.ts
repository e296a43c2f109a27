import { useQuery } from '@tanstack/react-query';
import { partKeyOf, sampleParts, type Item, type Part, type PartKey } from '@wired-falcon/core';
import type { PartRevision } from '@wired-falcon/contract';
import { partsApi } from './transport.ts';

export const WORKSHOP_PARTS = ['parts'] as const;

const none: readonly PartRevision[] = [];

/** The newest revision of each part of the workshop's own; empty until the server has answered. */
export function useWorkshopParts(): readonly PartRevision[] {
  const { data } = useQuery({ queryKey: WORKSHOP_PARTS, queryFn: partsApi.list, staleTime: 10_000 });
  return data ?? none;
}

/** Everything that can be added to an aircraft: the workshop's own parts, then the samples. */
export function partsOnOffer(own: readonly PartRevision[]): readonly Part[] {
  return own.length === 0 ? sampleParts : [...own.map(({ part }) => part), ...sampleParts];
}

/** Items of one part for which there is a newer revision of it. */
export interface NewerRevision {
  readonly was: PartKey;
  readonly now: PartKey;
  readonly part: Part;
  readonly items: readonly Item[];
}

/** The items whose part there is a newer revision of, by part, in the order of the items. */
export function newerRevisions(items: readonly Item[], parts: ReadonlyMap<PartKey, Part>, onOffer: readonly Part[]): NewerRevision[] {
  const newest = new Map(onOffer.map((part) => [part.id, part] as const));
  const found = new Map<PartKey, NewerRevision>();
  for (const item of items) {
    const id = parts.get(item.part)?.id;
    const part = id === undefined ? undefined : newest.get(id);
    if (part === undefined || partKeyOf(part) === item.part) continue;
    const earlier = found.get(item.part)?.items ?? [];
    found.set(item.part, { was: item.part, now: partKeyOf(part), part, items: [...earlier, item] });
  }
  return [...found.values()];
}
