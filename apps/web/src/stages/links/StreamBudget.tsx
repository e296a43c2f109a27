import {
  budgetOf,
  hopEndName,
  percent,
  quantity,
  STREAM_IDS,
  STREAM_MESSAGES,
  USUAL_PARAMETERS,
  usualRates,
  type Chain,
  type Graph,
  type HopLoad,
  type StreamBudget as Budget,
  type StreamId,
} from '@wired-falcon/core';
import { useMake } from '../../session/SessionContext.tsx';
import { figures, HeadRow } from '../../ui/HeadRow.tsx';
import { NumberField } from '../../ui/NumberField.tsx';
import { BudgetMends } from './HopMends.tsx';

/** What a link is to carry against what its narrowest hop can, as a bar; and the rates of its messages, to be changed. */
export function StreamBudget({ chain, graph }: { readonly chain: Chain; readonly graph: Graph }) {
  const budget = budgetOf(graph, chain);
  if (budget === undefined) return null;
  return (
    <div className="mt-2 max-w-[720px] text-[12.5px]" data-budget>
      {budget.narrowest !== undefined && <Bar budget={budget} load={budget.narrowest} />}
      <BudgetMends chain={chain} />
      {chain.wish === undefined && <Streams chain={chain} graph={graph} budget={budget} />}
    </div>
  );
}

function Bar({ budget, load: { hop, share, capacity } }: { readonly budget: Budget; readonly load: HopLoad }) {
  const { downBytesPerS, upBytesPerS, parametersS } = budget;
  const isFull = share > 1;
  const way = hop.b === undefined ? `of ${hopEndName(hop.a)}` : `between ${hopEndName(hop.a)} and ${hopEndName(hop.b)}`;
  const words = `${percent(share)} of the capacity ${way}`;
  const parameters =
    parametersS === undefined ? 'no room left for parameters' : `${USUAL_PARAMETERS} parameters in ${quantity(parametersS, 's')}`;
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className={`relative h-3 w-40 border ${isFull ? 'border-rust' : 'border-ink'}`} role="img" aria-label={words}>
        <span className={`absolute inset-y-0 left-0 ${isFull ? 'bg-rust' : 'bg-ink2'}`} style={{ width: `${Math.min(share, 1) * 100}%` }} />
      </span>
      <span className={isFull ? 'font-semibold text-rust' : ''} data-share={Math.round(share * 100)}>
        {words}
      </span>
      <span className="value text-ink2">
        {quantity(downBytesPerS, 'B/s')} down, {quantity(upBytesPerS, 'B/s')} up, of {quantity(capacity.bytesPerS, 'B/s')}
        {capacity.isShared ? ' for both' : ' each way'}; {parameters}
      </span>
    </div>
  );
}

/** The messages of a link with their rates; those that are off are offered too. */
function Streams({ chain, graph, budget }: { readonly chain: Chain; readonly graph: Graph; readonly budget: Budget }) {
  const make = useMake();
  const words = graph.design.aircraft.links[chain.key];
  const usual = usualRates(chain.kind.id) ?? {};
  const isSigned = words?.signed === true;
  const setRate = (stream: StreamId, hz: number | undefined): void => {
    make({ kind: 'set-stream', link: chain.key, stream, hz: hz ?? null, was: words?.streams?.[stream] ?? null });
  };
  return (
    <details className="mt-1">
      <summary className="cursor-pointer text-ink2">
        {budget.streams.length} messages
        {Object.keys(words?.streams ?? {}).length > 0 ? ', including your own rates' : ' at their usual rates'}
      </summary>
      <label className="mt-1 flex items-center gap-2">
        <input
          type="checkbox"
          checked={isSigned}
          onChange={(event) => make({ kind: 'set-link-flag', link: chain.key, flag: 'signed', on: event.target.checked, was: isSigned })}
        />
        Messages are signed: 13 bytes more each
      </label>
      <table className="mt-1">
        <HeadRow heads={['Message', 'Direction', 'Hz', figures('B/s')]} />
        <tbody>
          {STREAM_IDS.map((id) => {
            const { name, goes } = STREAM_MESSAGES[id];
            const planned = budget.streams.find((stream) => stream.id === id);
            return (
              <tr key={id} className="border-b border-rule">
                <td className="value pr-3">{name}</td>
                <td className="pr-3">{goes}</td>
                <td className="pr-3">
                  <NumberField
                    label={`${name}, Hz`}
                    isLabelHidden
                    isUnitHidden
                    unit="Hz"
                    value={words?.streams?.[id]}
                    usual={{ value: usual[id] ?? 0 }}
                    least={0}
                    most={1000}
                    onSave={(hz) => setRate(id, hz)}
                  />
                </td>
                <td className="value text-right">{planned === undefined ? '' : quantity(planned.bytesPerS, 'B/s')}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </details>
  );
}
