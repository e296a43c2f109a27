import type { ReactNode } from 'react';
import {
  isOutputFunction,
  mixerWords,
  sharedWords,
  US_LEAST,
  US_MOST,
  USUAL_TRAVEL,
  type Graph,
  type MixerRow,
  type OutputTravel,
  type Slot,
} from '@wired-falcon/core';
import { useSelection } from '../../selection/SelectionContext.tsx';
import { FunctionOptions } from '../../ui/FunctionOptions.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { FindingList } from '../../workers/FindingList.tsx';
import { isAbout } from './isAbout.ts';
import { useOutputEdits } from './useOutputEdits.ts';

interface SlotDetailProps {
  readonly graph: Graph;
  readonly slot: Slot;
  readonly row: MixerRow | undefined;
}

/** One output: what it is for, how it is mixed, how far its pulses go, and what is wrong with it. */
export function SlotDetail({ graph, slot, row }: SlotDetailProps) {
  const { setFunction, setHeld, setTravel } = useOutputEdits(graph);
  const { select } = useSelection();
  const { use, on, label, code, isReserved, sharedWith } = slot;
  return (
    <section
      aria-label={`Output ${label}`}
      className="mt-2 grid gap-x-6 border-l-2 border-rust pl-3 text-[12.5px] min-[1000px]:grid-cols-2"
      data-testid="slot-detail"
    >
      <div>
        <h4 className="text-[14px] font-bold">
          {label}
          {code !== undefined && <span className="value ml-2 text-[12px] font-normal text-ink2">firmware {code}</span>}
        </h4>
        <label className="mt-1 grid grid-cols-[92px_1fr] items-center">
          <span>Function</span>
          <select
            className="field"
            value={use?.function ?? ''}
            onChange={(event) => {
              const next = event.target.value;
              setFunction(slot, isOutputFunction(next) ? next : null);
            }}
          >
            <FunctionOptions kind={graph.design.aircraft.airframe.kind} none="free" />
          </select>
        </label>
        <dl className="mt-1">
          <Fact title="On it">
            {on.length === 0
              ? 'nothing'
              : on.map(({ entry, input }) => (
                  <button
                    key={`${entry.item.id} ${input.id}`}
                    type="button"
                    className="mr-2 underline"
                    onClick={() => select({ is: 'item', item: entry.item.id })}
                  >
                    {entry.item.ref}
                    {entry.item.label === undefined ? '' : `, ${entry.item.label}`}
                  </button>
                ))}
          </Fact>
          {row !== undefined && (
            <Fact title="Mixer">
              {mixerWords(row)} <span className="text-ink2">{row.scale === 'passed' ? '' : row.reason}</span>
            </Fact>
          )}
          {isReserved && <Fact title="Kept">The firmware reserves it for motors on this airframe.</Fact>}
          {sharedWith !== undefined && <Fact title="Pin">{sharedWords(sharedWith)}</Fact>}
        </dl>
      </div>
      {use !== undefined && (
        <div>
          <Travel use={use} onSave={(value) => setTravel(slot, value)} />
          <label className="flex min-h-7 items-center gap-2">
            <input type="checkbox" checked={use.held === true} onChange={(event) => setHeld(slot, event.target.checked)} />
            Fix the function to this output
          </label>
        </div>
      )}
      <div className="min-[1000px]:col-span-2">
        <FindingList name="Findings about this output" isMeant={(finding) => isAbout(finding, slot)} />
      </div>
    </section>
  );
}

function Fact({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <div className="grid grid-cols-[92px_1fr] border-b border-rule py-0.5">
      <dt className="text-ink2">{title}</dt>
      <dd>{children}</dd>
    </div>
  );
}

const LIMITS = [
  ['minUs', 'Minimum'],
  ['trimUs', 'Trim'],
  ['maxUs', 'Maximum'],
] as const;

function Travel({ use, onSave }: { readonly use: OutputTravel; readonly onSave: (travel: OutputTravel) => void }) {
  return (
    <fieldset className="mt-1">
      <legend className="text-ink2">Pulses</legend>
      {LIMITS.map(([limit, title]) => (
        <NumberField
          key={limit}
          label={title}
          unit="us"
          value={use[limit]}
          least={US_LEAST}
          most={US_MOST}
          usual={{ value: USUAL_TRAVEL[limit] }}
          onSave={(us) => {
            const { [limit]: _was, ...rest } = use;
            onSave(us === undefined ? rest : { ...rest, [limit]: us });
          }}
        />
      ))}
      <label className="flex min-h-7 items-center gap-2">
        <input
          type="checkbox"
          checked={use.reversed === true}
          onChange={(event) => {
            const { reversed: _was, ...rest } = use;
            onSave(event.target.checked ? { ...rest, reversed: true } : rest);
          }}
        />
        Reversed at the output
      </label>
    </fieldset>
  );
}
