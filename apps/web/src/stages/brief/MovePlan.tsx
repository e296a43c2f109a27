import { useMemo, useState, type ReactNode } from 'react';
import { CABLE_WORK, percent, type BoardMove, type ItemId, type Moved, type PartKey } from '@wired-falcon/core';
import { useMake, useSessionState } from '../../session/SessionContext.tsx';
import { usePageLine } from '../../session/usePageLine.tsx';
import { HeadRow } from '../../ui/HeadRow.tsx';
import { NotComputed } from '../../ui/NotComputed.tsx';
import { useReadersUnits } from '../../ui/readersUnits.ts';
import { SeverityMark } from '../../ui/SeverityMark.tsx';
import { useCalculated } from '../../workers/useCalculated.ts';
import type { move, MoveAsk } from './calculators.ts';

interface MovePlanProps {
  readonly item: ItemId | null;
  readonly part: PartKey;
  readonly onBack: () => void;
}

/** The change of a controller as a work list, to read, to print and to take as one edit. What was taken stays to be read until one leaves. */
export function MovePlan({ item, part, onBack }: MovePlanProps) {
  const ask = useMemo((): MoveAsk => ({ item, part }), [item, part]);
  const [taken, setTaken] = useState<BoardMove>();
  const { shown, share, failure } = useCalculated<typeof move>('brief.move', taken === undefined ? ask : undefined);
  const make = useMake();
  const isCurrent = useSessionState().seq === shown?.seq;
  const page = usePageLine();
  const plan = taken ?? shown?.answer;
  const take = (one: BoardMove): void => {
    if (one.edit === undefined) return;
    const made = make(one.edit);
    if (!('refused' in made)) setTaken(one);
  };
  return (
    <div data-testid="move" data-seq={shown?.seq ?? 0} data-taken={taken !== undefined}>
      {page.style}
      <button type="button" className="no-print text-[13px] underline" onClick={onBack}>
        All controllers
      </button>
      <NotComputed what="The change of controller could not be planned for this version" failure={failure} />
      {plan === undefined && share !== undefined && (
        <p className="mt-2 text-[13px]" role="status">
          Planning the change: {percent(share)}
        </p>
      )}
      {shown !== undefined && plan === undefined && (
        <p className="mt-2">This change cannot be planned: one of the two is no controller any more.</p>
      )}
      {plan !== undefined && (
        <>
          <h2 className="mt-1 text-lg font-bold">{plan.title}</h2>
          <Sum plan={plan} />
          {plan.edit === undefined ? (
            <p className="mt-2">Everything is already as planned: nothing to do.</p>
          ) : taken === undefined ? (
            <p className="no-print mt-2 flex gap-3">
              <button type="button" className="action" disabled={!isCurrent} onClick={() => take(plan)}>
                {isCurrent ? 'Apply the change' : 'Planning again'}
              </button>
              <PrintButton />
            </p>
          ) : (
            <p className="no-print mt-2 flex items-center gap-3">
              <span role="status">The change is made. Undo reverts it as a whole.</span>
              <button type="button" className="action" onClick={() => setTaken(undefined)}>
                Plan again
              </button>
              <PrintButton />
            </p>
          )}
          <WorkList plan={plan} />
        </>
      )}
    </div>
  );
}

function PrintButton() {
  return (
    <button type="button" className="action" onClick={() => window.print()}>
      Print the work list
    </button>
  );
}

function Sum({ plan: { links, outputs, cables, massG, contacts } }: { readonly plan: BoardMove }) {
  const { quantity } = useReadersUnits();
  const lost = [...links, ...outputs].filter(({ now }) => now === undefined);
  const touched = cables.filter(({ steps }) => steps.length > 0).length;
  return (
    <p className="mt-1 max-w-prose">
      {lost.length === 0 ? (
        'Every link and every function has a port or an output. '
      ) : (
        <span className="text-rust">Lost: {lost.map(({ what }) => what).join(', ')}. </span>
      )}
      {touched} of {cables.length} cables are touched, {contacts} contacts to make, {massG > 0 ? '+' : ''}
      {quantity(massG, 'g')} of parts.
    </p>
  );
}

function WorkList({ plan }: { readonly plan: BoardMove }) {
  const { read } = useReadersUnits();
  const { links, outputs, supplies, cables, added, mended, left } = plan;
  const work = cables.filter(({ steps }) => steps.length > 0);
  const stays = cables.filter(({ steps }) => steps.length === 0);
  return (
    <div className="mt-3 text-[13px]">
      <p className="max-w-prose border-l-4 border-rust pl-2">
        Unplug every pack and take the propellers off before you begin. Solder with eye protection and good air. Check polarity at each
        supply with a meter before the new controller is plugged in.
      </p>
      {left.length > 0 && (
        <Part title={`Left to you (${left.length})`}>
          <ul>
            {left.map(({ key, severity, what }) => (
              <li key={key} className="flex gap-2 py-0.5">
                <SeverityMark severity={severity} />
                <span>{read(what)}</span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      <Part title="Links">
        <MovedTable moved={links} />
      </Part>
      <Part title="Outputs">
        <MovedTable moved={outputs} />
      </Part>
      <Part title="Supplies, without load">
        <MovedTable moved={supplies} />
      </Part>
      {added.length + mended.length > 0 && (
        <Part title="Added and mended">
          <ul>
            {added.map(({ name, where }) => (
              <li key={name}>{read(where === undefined ? `${name}.` : `${name}, ${where}.`)}</li>
            ))}
            {mended.map((sentence, i) => (
              <li key={i}>{read(sentence)}</li>
            ))}
          </ul>
        </Part>
      )}
      <Part title={`Cables to work on (${work.length})`}>
        {work.length === 0 && <p>None.</p>}
        <table className="w-full border-collapse">
          <HeadRow cell="pr-3 py-1" heads={['Done', 'Cable', 'What', 'Steps']} />
          <tbody>
            {work.map(({ cable, tag, is, steps }) => (
              <tr key={cable} className="border-b border-rule align-top" data-cable={tag}>
                <td className="py-1 pr-3">
                  <span aria-hidden className="inline-block h-3 w-3 border border-ink" />
                </td>
                <th scope="row" className="value py-1 pr-3 text-left font-normal">
                  {tag}
                </th>
                <td className="py-1 pr-3 whitespace-nowrap">{CABLE_WORK[is]}</td>
                <td className="py-1">
                  <ol className="list-decimal pl-5">
                    {steps.map((step, i) => (
                      <li key={i}>{read(step)}</li>
                    ))}
                  </ol>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {stays.length > 0 && <p className="mt-1">Plugged in again unchanged: {stays.map(({ tag }) => tag).join(', ')}.</p>}
      </Part>
    </div>
  );
}

function Part({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section className="mt-4">
      <h3 className="text-[15px] font-bold">{title}</h3>
      {children}
    </section>
  );
}

function MovedTable({ moved }: { readonly moved: readonly Moved[] }) {
  const { read } = useReadersUnits();
  if (moved.length === 0) return <p>Nothing changes.</p>;
  return (
    <table className="border-collapse">
      <HeadRow cell="pr-5 py-0.5" heads={['What', 'Before', 'After']} />
      <tbody>
        {moved.map(({ what, was, now, why }, i) => (
          <tr key={i} className="border-b border-rule align-top" data-moved={what}>
            <th scope="row" className="py-0.5 pr-5 text-left font-normal">
              {what}
            </th>
            <td className="py-0.5 pr-5">{was === undefined ? 'nowhere' : read(was)}</td>
            <td className={`py-0.5 ${now === undefined ? 'text-rust' : ''}`}>
              {now === undefined ? `lost: ${why ?? 'nothing feeds it'}` : read(now)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
