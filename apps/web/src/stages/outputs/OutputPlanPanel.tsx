import { useState } from 'react';
import { Link } from 'react-router';
import type { OutputBoard } from '@wired-falcon/core';
import { paths } from '../../addresses/paths.ts';
import { useMake, useSessionState } from '../../session/SessionContext.tsx';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';
import { WideRegion } from '../../ui/WideRegion.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { boards } from './calculators.ts';

/** The best plan of all outputs: what it comes to, what it would change, and the button that makes it real. */
export function OutputPlanPanel() {
  const { shown, failure } = useCalculated<typeof boards>('outputs.boards', 'boards');
  const { seq: now } = useSessionState();
  const plans = shown?.answer ?? [];
  return (
    <div className="mt-4 border-t border-ink pt-2 text-[13px]" data-testid="output-plan" data-seq={shown?.seq ?? 0}>
      <NotComputed what="The outputs of this version could not be planned" failure={failure} />
      {plans.map((plan) => (
        <BoardPlan
          key={plan.controller}
          plan={plan}
          title={plans.length === 1 ? 'Plan' : `Plan of ${plan.controller}`}
          isCurrent={shown?.seq === now}
        />
      ))}
    </div>
  );
}

interface BoardPlanProps {
  readonly plan: OutputBoard;
  readonly title: string;
  readonly isCurrent: boolean;
}

function BoardPlan({ plan, title, isCurrent }: BoardPlanProps) {
  const make = useMake();
  const [isOpen, setOpen] = useState(false);
  return (
    <section aria-label={title} className="mb-3">
      <h3 className="text-[15px] font-bold">{title}</h3>
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
            {isCurrent ? 'Apply the plan' : 'Solving again'}
          </button>
        )}
        <button type="button" className="action" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
          {isOpen ? 'Hide the comparison' : 'Compare with the present state'}
        </button>
      </div>
      <Relaxations plan={plan} isCurrent={isCurrent} />
      {isOpen && <Comparison plan={plan} />}
    </section>
  );
}

function Relaxations({ plan: { relaxations, rows }, isCurrent }: Omit<BoardPlanProps, 'title'>) {
  const make = useMake();
  const { design } = useSessionState();
  const isShort = rows.some(({ isNeeded, planned }) => isNeeded && planned === undefined);
  if (!isShort) return null;
  if (relaxations.length === 0)
    return (
      <p className="no-print mt-2">
        There is no alternative on this controller.{' '}
        <Link to={paths.boards(design.aircraft.id)} className="underline">
          Compare controllers
        </Link>{' '}
        to find one with the outputs.
      </p>
    );
  return (
    <div className="no-print mt-2">
      <h4 className="font-semibold">Alternatives</h4>
      <ul>
        {relaxations.map(({ sentence, edit }) => (
          <li key={sentence} className="flex flex-wrap items-center gap-2 py-0.5">
            <button type="button" className="action" disabled={!isCurrent} onClick={() => make(edit)}>
              Apply it
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
    <WideRegion label="Plan against the present state">
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
