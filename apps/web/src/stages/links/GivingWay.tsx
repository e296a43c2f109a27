import { percent } from '@wired-falcon/core';
import { useMake, useSessionState } from '../../session/SessionContext.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { givingWay } from './calculators.ts';

/** What can give way so that more links find a port, each a button; until all is tried, how far that is. */
export function GivingWay() {
  const make = useMake();
  const { read } = useReadersUnits();
  const { seq: now } = useSessionState();
  const { shown, share, failure } = useCalculated<typeof givingWay>('links.giving-way', 'giving-way');
  const relaxations = shown?.answer ?? [];
  const isCurrent = now === shown?.seq;
  return (
    <div className="no-print mt-3" data-testid="giving-way" data-seq={shown?.seq ?? 0}>
      <NotComputed what="The alternatives were not computed" failure={failure} />
      {share !== undefined && (
        <p className="mb-1 text-[13px] text-ink2" role="status">
          Trying alternatives: {percent(share)}
        </p>
      )}
      {relaxations.length > 0 && (
        <>
          <h3 className="text-[13px] font-semibold">Alternatives</h3>
          <ul className="mt-1 text-[13px]">
            {relaxations.map(({ label, sentence, edit }) => (
              <li key={sentence} className="flex flex-wrap items-center gap-2 py-0.5">
                <button type="button" className="action" disabled={!isCurrent} onClick={() => make(edit)}>
                  {read(label)}
                </button>
                <span>{read(sentence)}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
