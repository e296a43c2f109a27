import { useState } from 'react';
import type { OutputBoard } from '@wired-falcon/core';
import { useMake, useSessionState } from '../../session/SessionContext.tsx';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';
import { WideRegion } from '../../ui/WideRegion.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { board } from './calculators.ts';

/** The best plan of all outputs: what it comes to, what it would change, and the button that makes it real. */
export function OutputPlanPanel() {
  const { shown, failure } = useCalculated<typeof board>('outputs.board', 'board');
  const make = useMake();
  const { seq: now } = useSessionState();
  const [isOpen, setOpen] = useState(false);
  const plan = shown?.answer;
  const isCurrent = shown?.seq === now;
  return (
    <section aria-label="Plan" className="mt-4 border-t border-ink pt-2 text-[13px]" data-testid="output-plan" data-seq={shown?.seq ?? 0}>
      <h3 className="text-[15px] font-bold">Plan</h3>
      <NotComputed what="The outputs of this version could not be planned" failure={failure} />
      {plan !== undefined && (
        <>
          <p className="font-semibold" data-proof={plan.proof.is}>
            {plan.summary}
          </p>
          {plan.undone.map((sentence) => (
            <p key={sentence} className="text-rust">
              {sentence}
            </p>
          ))}
          <div className="no-print mt-1 flex flex-wrap items-center gap-2">
            {plan.edit === undefined ? (
              <span>Everything is as planned.</span>
            ) : (
              <button type="button" className="action" disabled={!isCurrent} onClick={() => plan.edit !== undefined && make(plan.edit)}>
                {isCurrent ? 'Take the plan' : 'Being solved again'}
              </button>
            )}
            <button type="button" className="action" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
              {isOpen ? 'Hide the comparison' : 'Compare with what is'}
            </button>
          </div>
          <Relaxations plan={plan} isCurrent={isCurrent} />
          {isOpen && <Comparison plan={plan} />}
        </>
      )}
    </section>
  );
}

function Relaxations({ plan: { relaxations }, isCurrent }: { readonly plan: OutputBoard; readonly isCurrent: boolean }) {
  const make = useMake();
  if (relaxations.length === 0) return null;
  return (
    <div className="no-print mt-2">
      <h4 className="font-semibold">What could give way</h4>
      <ul>
        {relaxations.map(({ sentence, edit }) => (
          <li key={sentence} className="flex flex-wrap items-center gap-2 py-0.5">
            <button type="button" className="action" disabled={!isCurrent} onClick={() => make(edit)}>
              Take it so
            </button>
            <span>{sentence}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Comparison({ plan: { rows, banks } }: { readonly plan: OutputBoard }) {
  const { read } = useReadersUnits();
  return (
    <WideRegion label="Plan against what is">
      <table className="mt-2 text-[12.5px]">
        <HeadRow heads={['Function', 'Now', 'Planned', 'Why']} cell="pr-4" />
        <tbody>
          {rows.map(({ function: name, title, now, planned, why, refused }) => (
            <tr key={name} className="border-b border-rule align-top" data-planned={`${name} ${planned ?? 'none'}`}>
              <th scope="row" className="pr-4 text-left font-normal">
                {title}
              </th>
              <td className="value pr-4">{now ?? 'none'}</td>
              <td className={`value pr-4 ${now === planned ? '' : 'font-semibold'}`}>{planned ?? 'none'}</td>
              <td className={planned === undefined ? 'text-rust' : 'text-ink2'}>
                {read(why)}
                {planned === undefined && refused.length > 0 && (
                  <ul>
                    {refused.map((sentence) => (
                      <li key={sentence}>{read(sentence)}</li>
                    ))}
                  </ul>
                )}
              </td>
            </tr>
          ))}
          {banks.map(({ id, now, planned, why }) => (
            <tr key={id} className="border-b border-rule align-top">
              <th scope="row" className="pr-4 text-left font-normal">
                Bank {id}
              </th>
              <td className="pr-4">{now ?? 'not planned'}</td>
              <td className={`pr-4 ${now === planned ? '' : 'font-semibold'}`}>{planned ?? 'nothing'}</td>
              <td className="text-ink2">{read(why)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </WideRegion>
  );
}
