import { stated, travelOf, type Limits, type Linkage, type LinkedServo, type OutputTravel, type SimpleEdit } from '@wired-falcon/core';
import { useMake } from '../../../session/SessionContext.tsx';

/** What a linkage begins with, until its figures are measured. */
const FIRST = { armMm: 10, hornMm: 14, distanceMm: 60, horn: 'below', arm: 'pushes' } as const;

/** Changes of one servo's linkage and of its pulses, each with what it was. */
export function useLinkageEdits({ entry: { item }, linkage, use }: LinkedServo) {
  const make = useMake();
  const was = linkage ?? null;
  const linked = (value: Linkage | null): SimpleEdit => ({ kind: 'set-linkage', item: item.id, value, was });
  const pulses = (value: OutputTravel): readonly SimpleEdit[] => {
    if (use === undefined) return [];
    const now = travelOf(use);
    return [{ kind: 'set-output-travel', item: use.item, output: use.output, value: travelOf(value), was: now }];
  };
  return {
    begin: (like?: Linkage) => make(linked({ ...(like ?? FIRST), item: item.id })),
    leaveOpen: () => make(linked(null)),
    set: (value: Linkage) => make(linked(value)),
    /** Holes and the pulses at which they give the throw, as one edit; a rod that was measured was another one. */
    takeHoles: (now: Linkage, armMm: number, hornMm: number, { minUs, maxUs }: Limits) => {
      const { rodMm: _rod, ...rest } = now;
      const limits = { ...travelOf(use ?? {}), minUs: Math.round(minUs), maxUs: Math.round(maxUs) };
      make({
        kind: 'batch',
        title: `${item.ref}: arm ${stated(armMm, 'mm')}, horn ${stated(hornMm, 'mm')}`,
        edits: [linked({ ...rest, armMm, hornMm }), ...pulses(limits)],
      });
    },
    /** The flown trim goes into the rod, and the output back to the middle. */
    takeTrim: (now: Linkage, rodMm: number) => {
      const { trimUs: _trim, ...rest } = travelOf(use ?? {});
      make({
        kind: 'batch',
        title: `Trim of ${item.ref} at its clevis`,
        edits: [linked({ ...now, rodMm: Math.round(rodMm * 100) / 100 }), ...pulses(rest)],
      });
    },
    setTrim: (trimUs: number) => {
      const [edit] = pulses({ ...travelOf(use ?? {}), trimUs: Math.round(trimUs) });
      if (edit !== undefined) make(edit);
    },
    setReversed: (isReversed: boolean) => {
      const { reversed: _was, ...rest } = travelOf(use ?? {});
      const [edit] = pulses(isReversed ? { ...rest, reversed: true } : rest);
      if (edit !== undefined) make(edit);
    },
  };
}
