import { useState } from 'react';
import {
  channelUses,
  CHANNEL_USES,
  isChannelUse,
  measuredFaults,
  US_LEAST,
  US_MOST,
  type ChannelPlan,
  type ChannelRow,
  type Graph,
  type MeasuredChannel,
  type MeasuredFault,
  type RcChannel,
} from '@wired-falcon/core';
import { HeadRow } from '../../../ui/HeadRow.tsx';
import { NumberField } from '../../../ui/NumberField.tsx';
import { WideRegion } from '../../../ui/WideRegion.tsx';
import { SeverityMark } from '../../../ui/SeverityMark.tsx';
import { useReadersUnits } from '../../../ui/readersUnits.ts';
import { SourceField } from './SourceField.tsx';
import { useRcEdits } from './useRcEdits.ts';

interface ChannelTableProps {
  readonly graph: Graph;
  readonly plan: ChannelPlan;
}

/** The channels with their uses, sources and measured ends, and a verdict for each. */
export function ChannelTable({ graph, plan }: ChannelTableProps) {
  return (
    <div className="mt-3">
      <WideRegion label="Channels">
        <table className="w-full text-[12.5px]">
          <HeadRow
            cell="pr-2 align-bottom"
            heads={['Channel', 'For', 'Source', 'Receiver', 'Left, back, first', 'Released', 'Right, fwd., last', 'Verdict']}
          />
          <tbody>
            {plan.rows.map((row) => (
              <Row key={row.no} graph={graph} row={row} isHeard={plan.feeds.length > 0} />
            ))}
          </tbody>
        </table>
      </WideRegion>
      <p className="mt-1 text-[12px] text-ink2">
        Measured: what the controller shows in microseconds at the ends of each stick or switch. Propellers off.
      </p>
    </div>
  );
}

interface RowProps {
  readonly graph: Graph;
  readonly row: ChannelRow;
  /** True where channels arrive at all. */
  readonly isHeard: boolean;
}

function Row({ graph, row, isHeard }: RowProps) {
  const { no, channel, of, steps } = row;
  const { setChannel } = useRcEdits();
  const isStick = channel !== undefined && CHANNEL_USES[channel.use].sort === 'stick';
  const isTold = channel !== undefined && CHANNEL_USES[channel.use].sort === 'told';
  const arrival = of === undefined ? (isHeard ? 'does not arrive' : '') : `${of}${steps === undefined ? '' : `, ${steps} steps`}`;
  const faults = channel === undefined ? [] : measuredFaults(graph.design, no, channel);
  const rule = faults.length === 0 ? 'border-b border-rule' : '';
  return (
    <>
      <tr className={rule} data-channel={no} data-use={channel?.use ?? 'none'}>
        <th scope="row" className="value pr-2 text-left font-normal">
          {no}
        </th>
        <td className="py-0.5 pr-2">
          <select
            className="field w-40"
            aria-label={`Channel ${no} use`}
            value={channel?.use ?? ''}
            onChange={(event) => setChannel(no, isChannelUse(event.target.value) ? used(channel, event.target.value) : null)}
          >
            <option value="">free</option>
            {channelUses.map((use) => (
              <option key={use} value={use}>
                {CHANNEL_USES[use].title}
              </option>
            ))}
          </select>
        </td>
        <td className="pr-2">
          {isStick
            ? 'its stick'
            : isTold
              ? 'the receiver'
              : channel !== undefined && <SourceField graph={graph} no={no} channel={channel} />}
        </td>
        <td className={`pr-2 ${of === undefined && channel !== undefined && isHeard ? 'font-semibold text-rust' : 'text-ink2'}`}>
          {arrival}
        </td>
        {channel === undefined || isTold ? (
          <td colSpan={4} />
        ) : (
          <>
            <Measured no={no} channel={channel} />
            <td
              data-verdict={channel.measured === undefined ? 'none' : faults.length === 0 ? 'right' : faults.map(({ is }) => is).join(' ')}
            >
              {channel.measured === undefined ? (
                <span className="whitespace-nowrap text-ink2">not measured</span>
              ) : faults.length === 0 ? (
                'correct'
              ) : (
                'see below'
              )}
            </td>
          </>
        )}
      </tr>
      {faults.length > 0 && (
        <tr className="border-b border-rule">
          <td />
          <td colSpan={7} className="pb-1.5">
            <Faults faults={faults} />
          </td>
        </tr>
      )}
    </>
  );
}

/** A channel with another use: what does not go with it is left behind. */
function used(channel: RcChannel | undefined, use: RcChannel['use']): RcChannel {
  const isStepped = CHANNEL_USES[use].sort === 'steps' || CHANNEL_USES[use].sort === 'smooth';
  return { use, ...(isStepped && channel?.from !== undefined ? { from: channel.from } : {}) };
}

const FIELDS = [
  { key: 'firstUs', words: 'left, back or first' },
  { key: 'centreUs', words: 'released' },
  { key: 'lastUs', words: 'right, forward or last' },
] as const;

/** The three figures. As long as the two ends are not both typed, they wait here. */
function Measured({ no, channel }: { readonly no: string; readonly channel: RcChannel }) {
  const { setChannel } = useRcEdits();
  const [waiting, setWaiting] = useState<Partial<MeasuredChannel>>({});
  const save = (key: (typeof FIELDS)[number]['key'], value: number | undefined): void => {
    const { measured, ...rest } = channel;
    const next = { ...waiting, ...measured, [key]: value };
    const { firstUs, centreUs, lastUs } = next;
    const isWhole = firstUs !== undefined && lastUs !== undefined;
    setWaiting(isWhole ? {} : next);
    if (isWhole) setChannel(no, { ...rest, measured: { firstUs, lastUs, ...(centreUs === undefined ? {} : { centreUs }) } });
    else if (measured !== undefined) setChannel(no, rest);
  };
  return FIELDS.map(({ key, words }) => (
    <td key={key} className="pr-2">
      <NumberField
        label={`Channel ${no}, ${words}, us`}
        isLabelHidden
        isUnitHidden
        unit="us"
        value={channel.measured?.[key] ?? waiting[key]}
        usual={{}}
        least={US_LEAST}
        most={US_MOST}
        onSave={(value) => save(key, value)}
      />
    </td>
  ));
}

function Faults({ faults }: { readonly faults: readonly MeasuredFault[] }) {
  const { read } = useReadersUnits();
  return (
    <ul>
      {faults.map(({ what, mend }) => (
        <li key={what} className="grid grid-cols-[20px_1fr]">
          <SeverityMark severity="mend" />
          <span>
            <span className="font-semibold">{read(what)}</span> <span className="text-ink2">{read(mend)}</span>
          </span>
        </li>
      ))}
    </ul>
  );
}
