import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { AircraftId } from '@wired-falcon/core';
import type { DumpEntry, DumpResponse } from '@wired-falcon/contract';
import { dumpsApi, type KeptDump } from './transport.ts';

const keyOf = (aircraft: AircraftId) => ['dumps', aircraft] as const;
const none: readonly DumpEntry[] = [];

/** The dumps that are kept of an aircraft, and what is done with them. */
export interface DumpShelf {
  /** The newest first; empty until the server has answered. */
  readonly dumps: readonly DumpEntry[];
  /** Why they cannot be had or kept, as a sentence; undefined while nothing is wrong. */
  readonly failure: string | undefined;
  readonly keep: (dump: KeptDump) => Promise<DumpEntry>;
  /** Takes a dump out, or puts it back. @param onDone when the server has done it */
  readonly setRemoved: (dump: string, removed: boolean, onDone: () => void) => void;
  readonly open: (dump: string) => Promise<DumpResponse>;
}

export function useDumps(aircraft: AircraftId): DumpShelf {
  const client = useQueryClient();
  const list = useQuery({ queryKey: keyOf(aircraft), queryFn: () => dumpsApi.list(aircraft), staleTime: 10_000 });
  const changed = (): Promise<void> => client.invalidateQueries({ queryKey: keyOf(aircraft) });
  const keep = useMutation({ mutationFn: (dump: KeptDump) => dumpsApi.keep(aircraft, dump), onSuccess: changed });
  const remove = useMutation({
    mutationFn: ({ dump, removed }: { readonly dump: string; readonly removed: boolean }) => dumpsApi.setRemoved(aircraft, dump, removed),
    onSuccess: changed,
  });
  const failed = [keep.error, remove.error, list.error].find((error) => error !== null);
  return {
    dumps: list.data ?? none,
    failure: failed?.message,
    keep: keep.mutateAsync,
    setRemoved: (dump, removed, onDone) => remove.mutate({ dump, removed }, { onSuccess: onDone }),
    open: (dump) => dumpsApi.one(aircraft, dump),
  };
}
