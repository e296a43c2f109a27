import { useQuery } from '@tanstack/react-query';
import { sampleDialects, type Dialect } from '@wired-falcon/core';
import type { DialectRevision } from '@wired-falcon/contract';
import { dialectsApi } from './transport.ts';

export const WORKSHOP_DIALECTS = ['dialects'] as const;

const none: readonly DialectRevision[] = [];

/** The newest revision of each dialect of the workshop's own; empty until the server has answered. */
export function useWorkshopDialects(): readonly DialectRevision[] {
  const { data } = useQuery({ queryKey: WORKSHOP_DIALECTS, queryFn: dialectsApi.list, staleTime: 10_000 });
  return data ?? none;
}

/** Everything that an aircraft can choose: the workshop's own dialects, then the samples. */
export function dialectsOnOffer(own: readonly DialectRevision[]): readonly Dialect[] {
  return [...own.map(({ dialect }) => dialect), ...sampleDialects];
}
